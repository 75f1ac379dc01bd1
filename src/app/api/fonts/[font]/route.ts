import { serveFile } from '@/server/api/serve'
import { fontResponse } from '@/server/fonts/fonts'

export const GET = serveFile('GET /api/fonts/:font', ({ params }) => fontResponse(params.font))
