import { serve } from '@/server/api/serve'
import { setDynamic } from '@/standins/inbox/dynamic'

export const PUT = serve('PUT /api/standins/inbox/dynamic', ({ body }) => {
  setDynamic(body.sender, body.on)
  return body
})
