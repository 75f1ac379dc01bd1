import { z } from 'zod'
import { routesOf } from './route'

export const readerRoutes = routesOf({
  'GET /api/readers/support': {
    does: 'What the readers that emails are looked at in make of every feature of HTML and CSS, by the open data set: a letter for each reader (y supported, a in part, n not, u unknown), in their order.',
    gives: z.object({
      at: z.string().describe('the data set’s date'),
      readers: z.array(z.string()).describe('family and platform'),
      features: z.record(z.string(), z.string()),
      titles: z.record(z.string(), z.string()),
      notes: z
        .record(z.string(), z.record(z.string(), z.string()))
        .describe('where a reader knows it in part'),
    }),
  },
})
