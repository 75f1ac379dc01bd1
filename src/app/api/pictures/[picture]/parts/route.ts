import { serve } from '@/server/api/serve'
import { takeCrop } from '@/server/pictures/crop'

export const POST = serve('POST /api/pictures/:picture/parts', ({ params, body, request }) =>
  takeCrop(params.picture, body, request.signal),
)
