import { z } from 'zod'
import { mailboxOf } from '@/core/text/address'
import { count, revision, time } from './parts'
import { routesOf } from './route'
import { deliveryStates } from './states'

const address = z
  .string()
  .trim()
  .max(400)
  .refine((text) => mailboxOf(text), 'one mail address such as name@example.org, of ASCII letters')

const delivery = z.object({
  id: z.string(),
  destination: z.enum(['zip', 'eml', 'test-send', 'platform']),
  state: z
    .enum(deliveryStates)
    .describe('`unknown`: the app was stopped meanwhile, so nobody can say whether it arrived'),
  ok: z.boolean(),
  summary: z.string(),
  detail: z.record(z.string(), z.unknown()),
  revision,
  at: time,
})

const KEY =
  'A request with the `Idempotency-Key` of one that went well gives its answer again and sends nothing twice.'

export const handoverRoutes = routesOf({
  'GET /api/jobs/:job/zip': {
    does: 'The email as files: see docs/formats.md.',
    gives: 'application/zip',
    problems: '404, 409 no-email',
  },
  'GET /api/jobs/:job/eml': {
    does: 'The email as a message (RFC 5322): text and HTML as alternatives, pictures by Content-ID, fields at their fallbacks.',
    gives: 'message/rfc822',
    problems: '404, 409 no-email',
  },
  'POST /api/jobs/:job/zip': {
    does: 'The same files, kept in the list of deliveries.',
    gives: 'application/zip',
    problems: '404, 409 no-email',
  },
  'POST /api/jobs/:job/eml': {
    does: 'The same message, kept in the list of deliveries.',
    gives: 'message/rfc822',
    problems: '404, 409 no-email',
  },
  'POST /api/jobs/:job/test-send': {
    does: `Sends the message by SMTP to the inbox stand-in. ${KEY}`,
    body: z.object({ to: address, from: address.default('Mosaicus <studio@mosaicus.example>') }),
    gives: z.object({ messageId: z.string(), bytes: count, revision }),
    problems: '409 no-subject, already-sending, 502 send-failed',
  },
  'POST /api/jobs/:job/push': {
    does: `Pushes pictures and template to the sending-platform stand-in, and reads the template back. ${KEY}`,
    body: z.object({ token: z.string().min(1, 'the platform asks for a token').max(400) }),
    gives: z.object({ id: z.string(), address: z.string(), pictures: count, revision }),
    problems:
      '409 no-subject, already-sending, 502 platform-token, platform-no-unsubscribe, platform-closed, platform-slow, platform-unreachable, platform-mangled',
    long: true,
  },
  'GET /api/jobs/:job/deliveries': {
    does: 'What was handed over, the latest first.',
    gives: z.object({ deliveries: z.array(delivery) }),
    problems: '404',
  },
})
