import { eventStream } from '@/server/api/events'
import { serveFile } from '@/server/api/serve'
import { onTasks, runningTasks } from '@/server/tasks'

export const GET = serveFile('GET /api/tasks/events', ({ request }) =>
  eventStream(request, (send) => {
    runningTasks().forEach(send)
    return onTasks(send)
  }),
)
