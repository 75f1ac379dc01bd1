import { serve } from '@/server/api/serve'
import { cancelTask, taskOf } from '@/server/tasks'

export const GET = serve('GET /api/tasks/:task', ({ params }) => taskOf(params.task))

export const DELETE = serve('DELETE /api/tasks/:task', ({ params }) => cancelTask(params.task))
