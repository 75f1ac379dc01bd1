import { serve } from '@/server/api/serve'
import { ask } from '@/server/interact/ask'

export const POST = serve('POST /api/interact/ask', ({ body, request }) => ask(body, request.signal))
