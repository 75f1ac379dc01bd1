import sharp from 'sharp'
import { serveFile } from '@/server/api/serve'
import { compute } from '@/server/pool'
import { fileOf, pictureBytes, pictureInfo } from '@/server/pictures/store'

/**
 * A picture never changes under its id, so it may be kept for good. `?width=` gives a smaller one for the
 * wall.
 */
export const GET = serveFile('GET /api/pictures/:picture', async ({ params, query: { width, frame } }) => {
  const info = pictureInfo(params.picture)
  const headers = {
    'cache-control': 'public, max-age=31536000, immutable',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'",
  }
  if (frame !== undefined && info.moving && frame < info.moving.frames) {
    const png = await compute('pictureFrame', { file: fileOf(params.picture), frame })
    return new Response(new Uint8Array(png), { headers: { ...headers, 'content-type': 'image/png' } })
  }
  const bytes = await pictureBytes(params.picture)
  if (!width || width >= info.width)
    return new Response(new Uint8Array(bytes), { headers: { ...headers, 'content-type': info.type } })
  const small = await sharp(bytes).resize(Math.round(width)).webp({ quality: 82 }).toBuffer()
  return new Response(new Uint8Array(small), { headers: { ...headers, 'content-type': 'image/webp' } })
})
