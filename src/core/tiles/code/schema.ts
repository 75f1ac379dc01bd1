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
    /** What stands in the AMP part in its place; left out, the markup as far as AMP allows it. */
    amp: z.string().max(100_000).optional(),
    /** What readers show that keep no interactive part; left out, the markup itself. */
    still: z.string().max(100_000).optional(),
    /** Addresses in the markup that stand for pictures kept here. */
    pictures: z.record(z.string().min(1).max(2000), pictureRefSchema).optional(),
  })
  .superRefine(({ html, css, amp = '', still = '' }, c) => {
    for (const [path, markup] of Object.entries({ html, amp, still })) {
      const much = tooMuchEmail(markup, css)
      if (much) c.addIssue({ code: 'custom', path: [path], message: `code with ${much} is not taken` })
    }
  })
export type CodeTile = z.infer<typeof codeSchema>
