import { serve } from '@/server/api/serve'
import { pictureFrom, putOnShelf, shelfOf, takeOffShelf } from '@/server/pictures/shelf'
import { pictureInfo } from '@/server/pictures/store'
import { takeInPicture } from '@/server/pictures/take-in'

export const GET = serve('GET /api/clients/:client/pictures', ({ params, query }) => ({
  pictures: shelfOf(params.client, query.search),
}))

export const POST = serve('POST /api/clients/:client/pictures', async ({ params, body, form }) => {
  if (form) {
    const { content, name } = form.file('picture')
    return putOnShelf(params.client, await takeInPicture(content, name), name)
  }
  const { id, name, address } = body
  if (id) return putOnShelf(params.client, pictureInfo(id), name ?? 'picture')
  const fetched = await pictureFrom(address ?? '')
  return putOnShelf(params.client, fetched.picture, name ?? fetched.name)
})

export const DELETE = serve('DELETE /api/clients/:client/pictures', ({ params, query }) => {
  takeOffShelf(params.client, query.picture)
  return { pictures: shelfOf(params.client) }
})
