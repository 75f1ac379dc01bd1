import { serveFile } from '@/server/api/serve'
import { openedCountdown } from '@/server/motion/countdown/opened'

export const GET = serveFile('GET /api/countdown', ({ query }) => openedCountdown(query))
