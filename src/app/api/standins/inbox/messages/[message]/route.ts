import { route } from '@/server/api/respond'
import { notFound } from '@/server/problem'
import { readMessage } from '@/standins/inbox/store'

export const GET = route<{ message: string }>(async (_, { message }) => {
  const whole = await readMessage(message)
  if (!whole) throw notFound('message', message)
  return Response.json(whole)
})
