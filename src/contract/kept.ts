import { z } from 'zod'
import { count, email, name, revision, sentEmail, time } from './parts'
import { routesOf } from './route'

const keptPart = z.object({
  id: z.string(),
  name: z.string(),
  whole: z.boolean().describe('whether it is an email with its subject and values, or bands of one'),
  bands: count,
  revision: revision.describe('counted up with each change of its bands'),
  at: time,
  usedIn: z
    .array(z.object({ job: z.string(), name: z.string() }))
    .describe('the jobs whose email has bands that are tied to it'),
})

export const keptRoutes = routesOf({
  'GET /api/clients/:client/kept': {
    does: 'Bands and emails that a client keeps for other jobs, the latest first; `search` gives those whose name holds every word.',
    query: z.object({ search: z.string().max(200).optional() }),
    gives: z.object({ kept: z.array(keptPart) }),
    problems: '404',
  },
  'POST /api/clients/:client/kept': {
    does: 'Keeps bands, or a whole email, under a name.',
    body: z.object({ name, whole: z.boolean(), email: sentEmail }),
    gives: keptPart,
    status: 201,
    problems: '404, 422',
  },
  'GET /api/clients/:client/kept/:kept': {
    does: 'One of them, with its bands.',
    gives: keptPart.extend({ email }),
    problems: '404',
  },
  'PUT /api/clients/:client/kept/:kept': {
    does: 'Renames it, or changes its bands; `jobs` names those whose tied bands change along.',
    body: z.object({
      name: name.optional(),
      email: sentEmail.optional(),
      jobs: z.array(z.string().max(60)).max(500).optional(),
    }),
    gives: keptPart.extend({ changed: z.array(z.string()).describe('ids of the jobs that changed along') }),
    problems: '404, 422',
  },
  'DELETE /api/clients/:client/kept/:kept': {
    does: 'Keeps it no longer; emails keep what they have of it.',
    gives: z.object({ kept: z.array(keptPart) }),
    problems: '404',
  },
})
