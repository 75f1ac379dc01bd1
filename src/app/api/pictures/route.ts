import { serve } from '@/server/api/serve'
import { takeInPicture } from '@/server/pictures/take-in'

export const POST = serve('POST /api/pictures', async ({ form }) => {
  const { content, name } = form!.file('picture')
  return takeInPicture(content, name)
})
