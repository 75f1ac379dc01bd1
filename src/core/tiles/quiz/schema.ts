import { z } from 'zod'
import { linkSchema } from '../../email/tile'
import { interactiveBase, lineSchema, paragraphsSchema } from '../interactive/schema'

/** Questions with right answers, and what comes of them. */
export const quizSchema = z.object({
  ...interactiveBase,
  kind: z.literal('quiz'),
  questions: z
    .array(
      z.object({
        ask: lineSchema,
        options: z.array(lineSchema).min(2).max(6),
        /** Which is right, counted from 0. */
        right: z.number().int().min(0).max(5),
        /** Said once it was answered. */
        why: paragraphsSchema,
      }),
    )
    .min(1)
    .max(8),
  /** What is said from how many right answers on. */
  results: z
    .array(z.object({ from: z.number().int().min(0).max(8), title: lineSchema, text: paragraphsSchema }))
    .min(1)
    .max(9),
  label: lineSchema,
  link: linkSchema,
})
export type QuizTile = z.infer<typeof quizSchema>
