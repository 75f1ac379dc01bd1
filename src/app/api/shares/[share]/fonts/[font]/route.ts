import { serveFile } from '@/server/api/serve'
import { fontResponse } from '@/server/fonts/fonts'
import { notFound } from '@/server/problem'
import { showsFont } from '@/server/shares/shares'

export const GET = serveFile('GET /api/shares/:share/fonts/:font', ({ params }) => {
  if (!showsFont(params.share, params.font)) throw notFound('font', params.font)
  return fontResponse(params.font)
})
