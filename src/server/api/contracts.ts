import { emailSchema } from '@/core/tiles/document'
import { z } from 'zod'
import { planSchema, upgradePlan } from '@/core/cut/plan'
import { upgradeEmail, upgradeHouse } from '@/core/email/migrations'
import { colorSchema, houseStyleSchema } from '@/core/email/styles'
import { iconShapes } from '@/core/tiles/social/schema'

/** What the routes take. docs/api.md is written from these same schemas (scripts/api-docs.ts). */
const name = z.string().trim().min(1, 'a name is needed').max(120)
const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'a day is written YYYY-MM-DD')
const revision = z.number().int().min(0)
const address = z
  .string()
  .trim()
  .regex(
    /^[^\s@<>"]+@[^\s@<>"]+\.[^\s@<>"]+$|^[^<>"\r\n]*<[^\s@<>"]+@[^\s@<>"]+>$/,
    'a mail address such as name@example.org',
  )

/**
 * Documents of older versions are taken too: a script or a page from before an update may still send them.
 */
const house = z.preprocess(upgradeHouse, houseStyleSchema)
const email = z.preprocess(upgradeEmail, emailSchema)
const plan = z.preprocess(upgradePlan, planSchema)

export const newClientBody = z.object({ name, house: house.optional() })
export const changeClientBody = z.object({ name: name.optional(), house: house.optional() })
/** The text fields of the multipart form; the file stands in `design`. */
export const newJobForm = z.object({
  clientId: z.string().min(1, 'choose a client'),
  name,
  width: z.coerce.number().int().min(320).max(900).default(600),
  due: day.optional(),
  board: z.coerce.number().int().min(0).optional(),
  narrowBoard: z.coerce.number().int().min(0).optional(),
})
export const changeJobBody = z.object({
  name: name.optional(),
  due: day.nullable().optional(),
  archived: z.boolean().optional(),
  width: z.number().int().min(320).max(900).optional(),
})
export const saveCutsBody = z.object({ revision, plan })
export const cropsBody = z.object({ plan: plan.optional() })
export const saveEmailBody = z.object({ revision, email })
/** Pasted HTML and CSS, or the address of a page. */
export const pageBody = z.object({
  html: z.string().max(4_000_000).optional(),
  css: z.string().max(2_000_000).optional(),
  address: z.string().trim().min(3).max(2000).optional(),
})
/** A picture that is already kept, by its id, or one at an address. */
export const shelfBody = z
  .object({
    id: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .optional(),
    address: z.string().trim().min(3).max(2000).optional(),
    name: z.string().trim().min(1).max(200).optional(),
  })
  .refine((b) => b.id || b.address, 'name a picture by id or address')
export const deckBody = z.object({
  text: z.string().min(1, 'paste the copy'),
  markdown: z.boolean().optional(),
})
export const versionBody = z.object({ name })
export const importBody = z.object({ html: z.string().min(1, 'paste the source of an email') })
/** `size` in px of the picture, twice the shown size. */
export const iconBody = z.object({
  icon: z.string().max(60),
  size: z.number().int().min(16).max(256),
  color: colorSchema,
  ground: colorSchema,
  shape: z.enum(iconShapes),
})
export const htmlQuery = z.object({
  fields: z.enum(['written', 'sample']).optional(),
  styles: z.enum(['both', 'inline', 'head']).optional(),
  print: z.enum(['readable', 'minified']).optional(),
})
export const testSendBody = z.object({
  to: address,
  from: address.default('Mosaicus <studio@mosaicus.example>'),
})
export const pushBody = z.object({ token: z.string().min(1, 'the platform asks for a token').max(400) })
export const modeBody = z.object({ mode: z.enum(['ok', 'slow', 'refuse', 'expire', 'mangle']) })
