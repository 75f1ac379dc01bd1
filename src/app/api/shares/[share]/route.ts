import { serve } from '@/server/api/serve'
import { sharedOf } from '@/server/shares/shares'

export const GET = serve('GET /api/shares/:share', ({ params }) => sharedOf(params.share))
