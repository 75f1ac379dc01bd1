import { documentSchemas, type Email } from '../email/schema'
import { upgradeEmail } from '../email/migrations'
import { tileSchema } from './index'

/** The whole document's schemas, with every kind of tile in them. */
export const {
  cell: cellSchema,
  row: rowSchema,
  band: bandSchema,
  email: emailSchema,
} = documentSchemas(tileSchema)

/** An email of any version as one of the present, checked. Throws a ZodError where it is none. */
export const readEmail = (doc: unknown): Email => emailSchema.parse(upgradeEmail(doc))
