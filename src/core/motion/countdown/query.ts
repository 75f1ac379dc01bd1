import { z } from 'zod'
import type { CountdownDesign } from './address'
import { countdownFaces, countdownUnits } from './schema'

const color = z
  .string()
  .regex(/^[0-9a-f]{6}$/i)
  .transform((c) => `#${c.toLowerCase()}`)
const letters = { d: 'days', h: 'hours', m: 'minutes', s: 'seconds' } as const

/** What stands behind the `?` of the address of a countdown. */
export const countdownQuery = z.object({
  to: z.string().max(30).optional().describe('wall time of the end, `2026-12-24T18:00`'),
  in: z.string().max(60).optional().describe('its time zone (IANA)'),
  span: z.coerce
    .number()
    .int()
    .min(60)
    .max(8_640_000)
    .optional()
    .describe('or a span from the first opening, s'),
  key: z.string().max(300).optional().describe('what tells recipients apart, for a span'),
  // No email is wider.
  w: z.coerce.number().int().min(40).max(900).describe('width as shown, px'),
  h: z.coerce.number().int().min(20).max(400).describe('height as shown, px'),
  x: z.coerce.number().min(1).max(2).default(1).describe('pixels of the file for each that is shown'),
  u: z
    .string()
    .regex(/^[dhms]{1,4}$/)
    .default('dhms')
    .describe('units, largest first: d, h, m, s'),
  l: z.string().max(120).default('').describe('labels under them, parted by `|`'),
  rtl: z.enum(['0', '1']).default('0').describe('1: units run from right to left'),
  f: z.enum(countdownFaces).default('sans').describe('face'),
  c: color.default('#16191b').describe('colour of the digits, rrggbb'),
  lc: color.default('#16191b').describe('colour of the labels'),
  g: z
    .union([z.literal('clear'), color])
    .default('clear')
    .describe('ground, or `clear`'),
  b: color.optional().describe('boxes behind the digits'),
  r: z.coerce.number().int().min(0).max(60).default(0).describe('corners of the boxes, px'),
  over: z.string().max(120).default('').describe('what is shown at the end'),
})
export type CountdownQuery = z.infer<typeof countdownQuery>

/** What is to be drawn, as an address says. */
export const designOf = (q: CountdownQuery): CountdownDesign => ({
  width: q.w,
  height: q.h,
  density: q.x,
  units: countdownUnits.filter((u) => [...q.u].some((c) => letters[c as keyof typeof letters] === u)),
  labels: q.l.split('|'),
  rtl: q.rtl === '1',
  face: q.f,
  colors: { digits: q.c, labels: q.lc, ground: q.g, box: q.b ?? null },
  radius: q.r,
  over: q.over,
})
