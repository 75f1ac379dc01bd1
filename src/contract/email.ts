import { z } from 'zod'
import type { Edit } from '@/core/email/edits'
import { count, email, name, revision, sentEmail, time } from './parts'
import { routesOf } from './route'

const version = z.object({
  id: z.string(),
  name: z.string(),
  revision: revision.describe('of the email that was kept'),
  at: time,
})

/** What a check found. */
const finding = z.object({
  id: z.string().describe('the same as long as the check, the place and the matter are'),
  check: z.string(),
  severity: z.enum(['mend', 'mind']),
  stage: z.enum(['cut', 'compose', 'motion', 'night', 'interact', 'proof', 'handover']),
  what: z.string(),
  why: z.string(),
  where: z.object({
    band: z.string().optional(),
    tile: z.string().optional(),
    value: z.enum(['subject', 'preheader']).optional(),
  }),
  fix: z
    .object({
      label: z.string(),
      edit: z.custom<Edit>((v) => typeof v === 'object').meta({ description: 'a change as a value' }),
    })
    .optional(),
  muted: z.string().optional().describe('why somebody leaves it as it is'),
})

export const emailRoutes = routesOf({
  'GET /api/jobs/:job/email': {
    does: 'The email document.',
    gives: z.object({ revision, email, savedAt: time }),
    problems: '404, 409 no-email',
  },
  'PUT /api/jobs/:job/email': {
    does: 'Saves the email over the revision it started from (0 for the first).',
    body: z.object({ revision, email: sentEmail }),
    gives: z.object({ revision, savedAt: time }),
    problems: '404, 409 stale-revision (with the current `revision`), 422',
  },
  'GET /api/jobs/:job/events': {
    does: 'Server-sent events: a message with `kind` (`email` or `cuts`) and `revision` for each saving of a document of the job.',
    gives: 'text/event-stream',
    problems: '404',
  },
  'GET /api/jobs/:job/versions': {
    does: 'Emails of the job that were kept, by a person or by itself (once an hour while it is worked on, and before each delivery), the latest first.',
    gives: z.object({ versions: z.array(version) }),
    problems: '404',
  },
  'POST /api/jobs/:job/versions': {
    does: 'Keeps the saved email under a name.',
    body: z.object({ name }),
    gives: version,
    status: 201,
    problems: '409 no-email',
  },
  'GET /api/jobs/:job/versions/:version': {
    does: 'One kept email, in the present form of the document.',
    gives: version.extend({ email }),
    problems: '404',
  },
  'GET /api/jobs/:job/html': {
    does: 'The compiled HTML, under a Content-Security-Policy that lets no script run. Fields stand as written; `fields=sample` fills them with their fallbacks; `styles=inline` leaves every style sheet out, `styles=head` puts all styles into one; `print=compact` leaves out what only people need, `print=readable` does not; unless said, it is as the email leaves.',
    query: z.object({
      fields: z.enum(['written', 'sample']).optional(),
      styles: z.enum(['both', 'inline', 'head']).optional(),
      print: z.enum(['readable', 'compact']).optional(),
    }),
    gives: 'text/html',
    problems: '404, 409 no-email',
  },
  'GET /api/jobs/:job/amp': {
    does: 'The AMP part, as it leaves; empty where none does.',
    query: z.object({ fields: z.enum(['written', 'sample']).optional() }),
    gives: 'text/plain',
    problems: '404, 409 no-email',
  },
  'GET /api/jobs/:job/text': {
    does: 'The plain-text part; `links=numbered` lists the links at its end.',
    query: z.object({ links: z.enum(['inline', 'numbered']).optional() }),
    gives: 'text/plain',
    problems: '404, 409 no-email',
  },
  'GET /api/jobs/:job/findings': {
    does: 'What the checks find.',
    gives: z.object({
      revision,
      bytes: count.describe('of the HTML'),
      limit: count.describe('of the HTML, bytes'),
      findings: z.array(finding),
    }),
    problems: '404, 409 no-email',
  },
})
