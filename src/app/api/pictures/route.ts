import { serve } from '@/server/api/serve'
import { takeInPicture } from '@/server/pictures/take-in'

export const POST = serve('POST /api/pictures', async ({ form }) => {
  const { bytes, name } = await form!.file('picture')
  return takeInPicture(bytes, name)
})
