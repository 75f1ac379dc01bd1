import { serve } from '@/server/api/serve'
import { listTasks } from '@/server/tasks'

export const GET = serve('GET /api/tasks', () => ({ tasks: listTasks() }))
