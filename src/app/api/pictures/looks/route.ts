import { serve } from '@/server/api/serve'
import { compute } from '@/server/pool'

export const POST = serve('POST /api/pictures/looks', async ({ body, request }) => ({
  looks: await compute('pictureLooks', { ids: body.ids }, { signal: request.signal }),
}))
