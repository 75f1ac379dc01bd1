import { shelfBody } from '@/server/api/contracts'
import { fileOf, readForm } from '@/server/api/forms'
import { readJson, route } from '@/server/api/respond'
import { takeInPicture } from '@/server/pictures/intake'
import { pictureFrom, putOnShelf, shelfOf, takeOffShelf } from '@/server/pictures/shelf'
import { pictureInfo } from '@/server/pictures/store'
import { Problem } from '@/server/problem'

export const GET = route<{ client: string }>((request, { client }) =>
  Response.json({ pictures: shelfOf(client, new URL(request.url).searchParams.get('search') ?? '') }),
)

export const POST = route<{ client: string }>(async (request, { client }) => {
  if (request.headers.get('content-type')?.startsWith('multipart/')) {
    const file = await fileOf(await readForm(request, 12 * 1024 * 1024), 'picture')
    if (!file)
      throw new Problem(400, 'no-picture', 'No picture came', 'Send the file in the field "picture".')
    return Response.json(putOnShelf(client, await takeInPicture(file.bytes, file.name), file.name), {
      status: 201,
    })
  }
  const { id, name, address } = await readJson(request, shelfBody)
  if (id) return Response.json(putOnShelf(client, pictureInfo(id), name ?? 'picture'), { status: 201 })
  const fetched = await pictureFrom(address ?? '')
  return Response.json(putOnShelf(client, fetched.picture, name ?? fetched.name), { status: 201 })
})

export const DELETE = route<{ client: string }>((request, { client }) => {
  takeOffShelf(client, new URL(request.url).searchParams.get('picture') ?? '')
  return Response.json({ pictures: shelfOf(client) })
})
