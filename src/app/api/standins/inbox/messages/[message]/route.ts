import { serve } from '@/server/api/serve'
import { notFound } from '@/server/problem'
import { readMessage } from '@/standins/inbox/store'

export const GET = serve('GET /api/standins/inbox/messages/:message', async ({ params }) => {
  const whole = await readMessage(params.message)
  if (!whole) throw notFound('message', params.message)
  return whole
})
