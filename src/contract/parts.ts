import { z } from 'zod'
import { planSchema, upgradePlan, type CutPlan } from '@/core/cut/plan'
import { upgradeEmail, upgradeHouse } from '@/core/email/migrations'
import type { Email } from '@/core/email/schema'
import { houseStyleSchema, type HouseStyle } from '@/core/email/styles'
import { pictureRefSchema } from '@/core/picture/ref'
import { emailSchema } from '@/core/tiles/document'

/** What several routes take or give. */
export const name = z.string().trim().min(1, 'a name is needed').max(120)
export const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'a day is written YYYY-MM-DD')
export const revision = z.number().int().min(0)
export const count = z.number().int().min(0)
/** A time, ISO 8601 in UTC. */
export const time = z.string()
export const notes = z.array(z.string()).describe('what the person should know, a sentence each')
export const rect = z.object({ x: z.number(), y: z.number(), w: z.number(), h: z.number() })

/** Documents of older versions are taken too: a script or a page from before an update may still send them. */
export const sentHouse = z.preprocess(upgradeHouse, houseStyleSchema).meta({ $ref: 'house.schema.json' })
export const sentEmail = z.preprocess(upgradeEmail, emailSchema).meta({ $ref: 'email.schema.json' })
export const sentPlan = z.preprocess(upgradePlan, planSchema).meta({ $ref: 'cuts.schema.json' })

/** A document that was checked when it was read from the database; it is not checked again on its way out. */
const checked = <T>(file: string) =>
  z.custom<T>((v) => typeof v === 'object' && v !== null).meta({ $ref: file })
export const house = checked<HouseStyle>('house.schema.json')
export const email = checked<Email>('email.schema.json')
export const plan = checked<CutPlan>('cuts.schema.json')

export const picture = pictureRefSchema
export const client = z.object({
  id: z.string(),
  name: z.string(),
  house,
  trouble: z
    .string()
    .optional()
    .describe('why what is saved as its house style cannot be read: `house` is a plain one in its place'),
})

export const jobSummary = z.object({
  id: z.string(),
  name: z.string(),
  client: z.object({ id: z.string(), name: z.string() }),
  width: z.number().describe('of the email, px'),
  due: day.nullable(),
  archived: z.boolean(),
  remote: z.boolean().describe('whether its previews may load pictures and fonts from elsewhere'),
  design: picture
    .extend({
      name: z.string(),
      scale: z.number().describe('design pixels for each px of the email'),
      worded: z.boolean().describe('whether its file carries words'),
    })
    .nullable()
    .describe('null where the job began without one'),
  narrow: picture.extend({ name: z.string() }).nullable().describe('the narrow design of the same email'),
  before: picture.nullable().describe('the design that the present one replaced'),
  createdAt: time,
  updatedAt: time,
  state: z.enum(['design', 'cut', 'composing', 'ready', 'handed over']),
  cutCount: count,
  toMend: count,
  toMind: count,
  trouble: z.string().nullable().describe('why its documents cannot be read or compiled'),
  emailRevision: revision,
})
