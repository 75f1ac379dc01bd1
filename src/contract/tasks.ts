import { z } from 'zod'
import { cropFigure } from './cuts'
import { time } from './parts'
import { routesOf } from './route'
import { taskStates } from './states'

/** Long work, as it stands. */
export const task = z.object({
  id: z.string(),
  kind: z.string().describe('the route that started it, such as `POST /api/jobs/:job/build`'),
  title: z.string(),
  job: z.string().nullable(),
  state: z.enum(taskStates).describe('`broken`: the app was stopped before it was done'),
  progress: z
    .object({
      done: z.number(),
      total: z.number(),
      what: z.string(),
      figure: cropFigure.optional().describe('what a crop came to'),
    })
    .nullable(),
  problem: z
    .object({ title: z.string(), detail: z.string(), status: z.number(), kind: z.string() })
    .nullable(),
  startedAt: time,
  endedAt: time.nullable(),
})
export type Task = z.output<typeof task>

export const taskRoutes = routesOf({
  'GET /api/tasks': {
    does: 'Long work, the latest first: what runs, and what ended in the last days.',
    gives: z.object({ tasks: z.array(task) }),
  },
  'GET /api/tasks/events': {
    does: 'Server-sent events: a message with the task for each change of one, first of all for those that run.',
    gives: 'text/event-stream',
  },
  'GET /api/tasks/:task': {
    does: 'One task, with what it gave where it is done.',
    gives: task.extend({ result: z.unknown() }),
    problems: '404',
  },
  'DELETE /api/tasks/:task': {
    does: 'Cancels a task that runs; one that has ended stays as it is.',
    gives: task,
    problems: '404',
  },
})
