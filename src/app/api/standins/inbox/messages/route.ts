import { serve } from '@/server/api/serve'
import { clearMessages, listMessages } from '@/standins/inbox/store'

export const GET = serve('GET /api/standins/inbox/messages', async () => ({ messages: await listMessages() }))

export const DELETE = serve('DELETE /api/standins/inbox/messages', () => {
  clearMessages()
  return { messages: [] }
})
