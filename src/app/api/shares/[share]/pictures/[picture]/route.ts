import { serveFile } from '@/server/api/serve'
import { pictureBytes, pictureInfo } from '@/server/pictures/store'
import { notFound } from '@/server/problem'
import { showsPicture } from '@/server/shares/shares'

export const GET = serveFile('GET /api/shares/:share/pictures/:picture', async ({ params }) => {
  if (!showsPicture(params.share, params.picture)) throw notFound('picture', params.picture)
  const { type } = pictureInfo(params.picture)
  return new Response(new Uint8Array(await pictureBytes(params.picture)), {
    headers: {
      'content-type': type,
      'cache-control': 'private, max-age=3600',
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'",
    },
  })
})
