import { serve } from '@/server/api/serve'
import { compute } from '@/server/pool'

/** Longest that the validator may take, ms. */
const DEADLINE = 20_000

export const POST = serve('POST /api/amp/check', ({ body, request }) =>
  compute('checkAmp', { html: body.html }, { signal: request.signal, deadline: DEADLINE }),
)
