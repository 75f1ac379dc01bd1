import { z } from 'zod'
import { measuresSchema } from '@/core/email/fonts'
import { client, count, name, picture, sentHouse, time } from './parts'
import { routesOf } from './route'

const shelfPicture = picture.extend({
  name: z.string(),
  at: time,
  usedIn: z.array(z.object({ job: z.string(), name: z.string() })),
})

export const clientRoutes = routesOf({
  'GET /api/clients': { does: 'All clients.', gives: z.object({ clients: z.array(client) }) },
  'POST /api/clients': {
    does: 'Adds a client, with a plain house style unless one is sent.',
    body: z.object({ name, house: sentHouse.optional() }),
    gives: client,
    status: 201,
  },
  'GET /api/clients/:client': { does: 'One client.', gives: client, problems: '404' },
  'PATCH /api/clients/:client': {
    does: 'Renames a client or sets its house style; every email that inherits from it follows.',
    body: z.object({ name: name.optional(), house: sentHouse.optional() }),
    gives: client.extend({
      emails: z
        .object({ inherit: count, changed: count })
        .describe('how many emails inherit from the house style, and how many of them look different now'),
    }),
    problems: '404, 422',
  },
  'GET /api/clients/:client/pictures': {
    does: "A client's pictures, the latest first; `search` gives those whose name holds every word.",
    query: z.object({ search: z.string().max(200).optional() }),
    gives: z.object({ pictures: z.array(shelfPicture) }),
    problems: '404',
  },
  'POST /api/clients/:client/pictures': {
    does: "Puts a picture on a client's shelf: a file, or JSON with the id of one that is kept, or the address of one (private networks are refused). The same bytes are kept once.",
    form: { files: { picture: 'PNG, JPEG or GIF, at most 25 megapixels and 10 MB' }, most: 12 },
    body: z
      .object({
        id: z
          .string()
          .regex(/^[0-9a-f]{64}$/)
          .optional(),
        address: z.string().trim().min(3).max(2000).optional(),
        name: z.string().trim().min(1).max(200).optional(),
      })
      .refine((b) => b.id || b.address, 'name a picture by id or address'),
    gives: shelfPicture,
    status: 201,
    problems: '404, 413, 415, 422 address-refused, 502 address-unreachable',
  },
  'DELETE /api/clients/:client/pictures': {
    does: 'Takes a picture off the shelf; emails keep it.',
    query: z.object({ picture: z.string() }),
    gives: z.object({ pictures: z.array(shelfPicture) }),
    problems: '404',
  },
  'POST /api/fonts': {
    does: 'Takes in a font file of a house style, so that what shows emails here has its letters; a web font names it as `kept`.',
    form: { files: { font: 'WOFF2, WOFF, TTF or OTF, at most 5 MB' }, most: 6 },
    gives: z.object({ id: z.string(), measures: measuresSchema.optional() }),
    status: 201,
    problems: '413, 415 not-a-font',
  },
  'GET /api/fonts/shipped/:face': {
    does: 'A font that ships with the app: what stands in for a family that emails name, such as `arimo-0` (0 regular, 1 italic, 2 bold, 3 bold italic).',
    gives: 'font/ttf',
    problems: '404',
  },
  'GET /api/fonts/:font': { does: 'A font file.', gives: 'font/*', problems: '404' },
})
