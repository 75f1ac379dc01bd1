import { serveFile } from '@/server/api/serve'
import { filmResponse } from '@/server/films/films'

export const GET = serveFile('GET /api/films/:film', ({ params, request }) =>
  filmResponse(params.film, request.headers.get('range')),
)
