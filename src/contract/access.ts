import { z } from 'zod'
import { routesOf } from './route'

const access = z.object({ passphrase: z.boolean(), open: z.boolean() })

export const accessRoutes = routesOf({
  'GET /api/session': {
    does: 'Whether a passphrase is set, and whether this browser has entered it. Open to all.',
    gives: access,
  },
  'POST /api/session': {
    does: 'Enters with the passphrase: a cookie for 30 days. After four wrong tries of an address each next one waits twice as long (5 s to 15 min); other addresses do not. Open to all.',
    body: z.object({ passphrase: z.string().max(1000) }),
    gives: access.extend({
      tries: z
        .array(z.object({ address: z.string(), count: z.number().int(), at: z.string() }))
        .describe('wrong tries since somebody last entered, by address'),
    }),
    problems: '401 wrong-passphrase, 409 no-passphrase, 429 too-many-tries (Retry-After)',
  },
  'GET /api/database': {
    does: 'Whether the database can be worked with, and else why not and which copies lie beside it. For this machine alone.',
    gives: z.object({
      trouble: z.object({ title: z.string(), detail: z.string() }).nullable(),
      copies: z.array(z.object({ name: z.string(), bytes: z.number().int(), at: z.string() })),
    }),
    problems: '403 other-machine',
  },
  'POST /api/database': {
    does: 'Takes a copy of the database back where the present one cannot be worked with: that one is put aside, not overwritten. For this machine alone.',
    body: z.object({ copy: z.string().max(100) }),
    gives: z.object({
      aside: z.string().describe('under which name the former one lies in the data folder'),
    }),
    problems:
      '403 other-machine, 404 no-such-copy, 409 no-trouble, 503 database-damaged, database-later, database-locked',
  },
  'DELETE /api/session': {
    does: 'Closes the bench in this browser.',
    gives: access,
  },
})
