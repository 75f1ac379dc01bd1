import { z } from 'zod'
import { count, time } from './parts'
import { routesOf } from './route'

const mode = z.object({
  mode: z.enum(['ok', 'slow', 'refuse', 'expire', 'mangle', 'headers', 'other', 'redirect']),
})
const message = z.object({
  id: z.string(),
  at: time,
  from: z.string(),
  to: z.string(),
  subject: z.string(),
  bytes: count,
})

export const standinRoutes = routesOf({
  'GET /api/standins/:standin/mode': {
    does: 'How a stand-in (`inbox`, `platform` or `answers`) behaves.',
    gives: mode,
    problems: '404',
  },
  'PUT /api/standins/:standin/mode': {
    does: 'Makes a stand-in work, answer late, refuse, say its token has run out, or garble; answers also come without the headers that readers want, for another sender, or as a redirect.',
    body: mode,
    gives: mode,
    problems: '404',
  },
  'GET /api/standins/inbox/messages': {
    does: 'What arrived in the inbox.',
    gives: z.object({ messages: z.array(message) }),
  },
  'DELETE /api/standins/inbox/messages': {
    does: 'Empties the inbox.',
    gives: z.object({ messages: z.array(message) }),
  },
  'GET /api/standins/inbox/messages/:message': {
    does: 'One message, whole.',
    gives: message.extend({
      html: z.string(),
      text: z.string(),
      headers: z.array(z.object({ name: z.string(), value: z.string() })),
      raw: z.string(),
      parts: z.array(z.object({ name: z.string(), type: z.string(), bytes: count })),
      amp: z.string().describe('its AMP part; empty where it has none'),
      order: z.array(z.string()).describe('types of the alternatives, in their order'),
    }),
    problems: '404',
  },
  'GET /api/standins/platform/templates': {
    does: 'What arrived at the platform.',
    gives: z.object({
      templates: z.array(
        z.object({
          id: z.string(),
          name: z.string(),
          subject: z.string(),
          preheader: z.string(),
          html: z.string(),
          text: z.string(),
          amp: z.string().describe('its AMP part; empty where it has none'),
          at: time,
        }),
      ),
    }),
  },
})
