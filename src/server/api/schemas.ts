import { emailSchema } from '@/core/tiles/document'
import { z } from 'zod'
import { planSchema } from '@/core/cut/plan'
import { houseStyleSchema } from '@/core/email/styles'

/** The JSON Schemas of the documents, by the name of their file in docs/. */
export function schemaDocs(): Record<string, string> {
  const text = (schema: z.ZodType, title: string) =>
    `${JSON.stringify({ title, ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) }, null, 2)}\n`
  return {
    'email.schema.json': text(emailSchema, 'Email'),
    'cuts.schema.json': text(planSchema, 'Cut plan'),
    'house.schema.json': text(houseStyleSchema, 'House style'),
  }
}
