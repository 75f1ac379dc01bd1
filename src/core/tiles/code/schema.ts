import { z } from 'zod'
import { tooMuchEmail } from '../../html/bounds'
import { tileBase } from '../../email/tile'
import { pictureRefSchema } from '../../picture/ref'

/** Markup of one's own, with a style sheet that holds inside it alone. */
export const codeSchema = z
  .object({
    ...tileBase,
    kind: z.literal('code'),
    html: z.string().max(200_000),
    css: z.string().max(100_000),
    /** Addresses in the markup that stand for pictures kept here. */
    pictures: z.record(z.string().min(1).max(2000), pictureRefSchema).optional(),
  })
  .superRefine(({ html, css }, c) => {
    const much = tooMuchEmail(html, css)
    if (much) c.addIssue({ code: 'custom', path: ['html'], message: `code with ${much} is not taken` })
  })
export type CodeTile = z.infer<typeof codeSchema>
