import { z } from 'zod'
import { routesOf } from './route'

const access = z.object({ passphrase: z.boolean(), open: z.boolean() })

export const accessRoutes = routesOf({
  'GET /api/session': {
    does: 'Whether a passphrase is set, and whether this browser has entered it. Open to all.',
    gives: access,
  },
  'POST /api/session': {
    does: 'Enters with the passphrase: a cookie for 30 days. After ten wrong tries in 15 minutes none is tried. Open to all.',
    body: z.object({ passphrase: z.string().max(1000) }),
    gives: access,
    problems: '401 wrong-passphrase, 409 no-passphrase, 429 too-many-tries (Retry-After)',
  },
  'DELETE /api/session': {
    does: 'Closes the bench in this browser.',
    gives: access,
  },
})
