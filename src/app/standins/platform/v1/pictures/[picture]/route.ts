import { pictureOf } from '@/standins/platform/store'

export async function GET(_: Request, context: { params: Promise<{ picture: string }> }) {
  const picture = pictureOf((await context.params).picture)
  return picture
    ? new Response(new Uint8Array(picture.bytes), {
        headers: { 'content-type': picture.type, 'x-content-type-options': 'nosniff' },
      })
    : new Response('Not found', { status: 404 })
}
