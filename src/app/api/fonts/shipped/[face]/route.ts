import { serveFile } from '@/server/api/serve'
import { shippedFont } from '@/server/fonts/shipped'

export const GET = serveFile('GET /api/fonts/shipped/:face', ({ params }) => shippedFont(params.face))
