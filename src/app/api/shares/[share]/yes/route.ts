import { serve } from '@/server/api/serve'
import { sayYes } from '@/server/shares/shares'

export const POST = serve('POST /api/shares/:share/yes', ({ params, body }) => ({
  yes: sayYes(params.share, body.by, body.revision),
}))
