import { serve } from '@/server/api/serve'
import { takeInPicture, takeInPictureAt } from '@/server/pictures/take-in'

export const POST = serve('POST /api/pictures', async ({ form, body }) => {
  if (!form) return takeInPictureAt(body.address)
  const { content, name } = form.file('picture')
  return takeInPicture(content, name)
})
