import { askerOf } from '@/server/access/peer'
import { serveFile } from '@/server/api/serve'
import { openedCountdown } from '@/server/motion/countdown/opened'

export const GET = serveFile('GET /api/countdown', ({ query, request }) =>
  openedCountdown(query, Date.now(), askerOf(request.headers)),
)
