import { serve } from '@/server/api/serve'
import { compute } from '@/server/pool'

/** Longest that looking at code may take, ms. */
const DEADLINE = 10_000

export const POST = serve('POST /api/code/lint', async ({ body, request }) => ({
  notes: await compute('lintCode', body, { signal: request.signal, deadline: DEADLINE }),
}))
