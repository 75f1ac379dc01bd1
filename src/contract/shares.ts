import { z } from 'zod'
import { count, email, house, name, picture, revision, time } from './parts'
import { routesOf } from './route'

const remark = z.object({
  id: z.string(),
  band: z.string(),
  tile: z.string().nullable().describe('the tile it is about; null: the band'),
  lens: z.string(),
  by: z.string(),
  said: z.string(),
  at: time,
  settledAt: time.nullable(),
})
const yes = z
  .object({ by: z.string(), at: time, revision: revision.describe('of the email that was agreed to') })
  .nullable()
const share = z.object({
  id: z.string().describe('the secret part of the link: /share/<id>'),
  createdAt: time,
  expiresAt: time,
  revokedAt: time.nullable(),
  yes,
})
const under = z.string().describe('the link it came under')
const approval = z.object({
  shares: z.array(share),
  approvals: z
    .array(z.object({ by: z.string(), at: time, revision, share: under }))
    .describe('every yes, the latest first'),
  remarks: z.array(remark.extend({ share: under })),
})

export const shareRoutes = routesOf({
  'GET /api/jobs/:job/shares': {
    does: 'The links under which a client looks at the email, and what was remarked there, the latest first.',
    gives: approval,
    problems: '404',
  },
  'POST /api/jobs/:job/shares': {
    does: 'Makes a link: a random id of 160 bits, good for so many days.',
    body: z.object({ days: z.number().int().min(1).max(90) }),
    gives: share,
    status: 201,
    problems: '404, 409 no-email',
  },
  'DELETE /api/jobs/:job/shares/:share': {
    does: 'Takes a link back: it opens nothing any more.',
    gives: approval,
    problems: '404',
  },
  'PATCH /api/jobs/:job/remarks/:remark': {
    does: 'Settles a remark, or takes it up again.',
    body: z.object({ settled: z.boolean() }),
    gives: approval,
    problems: '404',
  },
  'GET /api/shares/:share': {
    does: 'What the page of a link shows: the email, the design beside it, and the remarks.',
    gives: z.object({
      name,
      client: z.string(),
      revision,
      email,
      house,
      design: picture.nullable(),
      expiresAt: time,
      remarks: z.array(remark),
      yes,
      open: count.describe('remarks that are not settled'),
    }),
    problems: '404 also of a link that is over or was taken back, 409 no-email',
  },
  'GET /api/shares/:share/pictures/:picture': {
    does: 'A picture of that email or its design; no other.',
    gives: 'image/*',
    problems: '404',
  },
  'GET /api/shares/:share/fonts/:font': {
    does: "A font of the client's house style; no other.",
    gives: 'font/*',
    problems: '404',
  },
  'POST /api/shares/:share/remarks': {
    does: 'Pins a remark to a band or a tile.',
    body: z.object({
      band: z.string().min(1).max(40),
      tile: z.string().min(1).max(40).optional(),
      lens: z.string().trim().min(1).max(20),
      by: z.string().trim().min(1, 'say who you are').max(80),
      said: z.string().trim().min(1, 'write the remark').max(2000),
    }),
    gives: z.object({ remarks: z.array(remark) }),
    status: 201,
    problems: '404, 409 no-email, 422, 429 too-many',
  },
  'POST /api/shares/:share/yes': {
    does: 'Says yes to the email as it is: to the revision that was looked at.',
    body: z.object({ by: z.string().trim().min(1, 'say who you are').max(80), revision }),
    gives: z.object({ yes }),
    problems: '404, 409 stale-revision',
  },
})
