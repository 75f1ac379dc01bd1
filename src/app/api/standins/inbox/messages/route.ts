import { route } from '@/server/api/respond'
import { clearMessages, listMessages } from '@/standins/inbox/store'

export const GET = route(async () => Response.json({ messages: await listMessages() }))

export const DELETE = route(() => {
  clearMessages()
  return Response.json({ messages: [] })
})
