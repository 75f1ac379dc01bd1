import { route } from '@/server/api/respond'
import { takeInPicture } from '@/server/pictures/intake'
import { Problem } from '@/server/problem'

export const POST = route(async (request) => {
  const form = await request.formData().catch(() => null)
  const file = form?.get('picture')
  if (!(file instanceof File))
    throw new Problem(
      400,
      'no-picture',
      'No picture came',
      'Send multipart/form-data with the file in the field "picture".',
    )
  return Response.json(await takeInPicture(Buffer.from(await file.arrayBuffer()), file.name), { status: 201 })
})
