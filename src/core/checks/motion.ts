import { MOST_FLASHES } from '../motion/flashes'
import { LONGEST } from '../motion/made'
import { BUDGET } from '../motion/schema'
import type { TileOf } from '../email/tile'
import type { Check, Found } from './check'

/** Bytes as they are read. */
const kb = (bytes: number): string => `${Math.round(bytes / 1024)} KB`

export const motion: Check = {
  name: 'motion',
  about:
    'Moving pictures are light, short, say what they have to in their first frame, and are as their values say.',
  tile: ({ tile }) =>
    tile.kind === 'picture'
      ? [...weight(tile), ...length(tile), ...flashes(tile), ...first(tile), ...made(tile)]
      : [],
}

type Picture = TileOf<'picture'>
const found = (severity: Found['severity'], key: string, what: string, why: string): Found => ({
  severity,
  stage: 'motion',
  key,
  what,
  why,
})

function weight({ picture, motion: m }: Picture): Found[] {
  const budget = m?.budget ?? BUDGET
  if (!picture?.moving || picture.bytes <= budget) return []
  return [
    found(
      m ? 'mend' : 'mind',
      'weight',
      `A moving picture of ${kb(picture.bytes)}, over its ${kb(budget)}`,
      'On a slow connection it stands still until it is loaded. In Motion, "Make it fit" looks for the most alike way to write it within its budget.',
    ),
  ]
}

function length({ picture }: Picture): Found[] {
  const ms = picture?.moving?.ms ?? 0
  if (ms <= LONGEST) return []
  return [
    found(
      'mind',
      'length',
      `A moving picture of ${(ms / 1000).toFixed(1)} s`,
      `Few people look longer than ${LONGEST / 1000} s, and each second weighs. Trim it in Motion.`,
    ),
  ]
}

/** What flashes can harm people with epilepsy, whatever it was made by. */
function flashes({ picture }: Picture): Found[] {
  const count = picture?.moving?.flashes ?? 0
  if (count <= MOST_FLASHES) return []
  return [
    found(
      'mend',
      'flashes',
      `A moving picture that flashes ${count} times in a second`,
      'More than three flashes a second can harm people with epilepsy (WCAG 2.2, 2.3.1). Show each frame longer in Motion, or let its frames differ less.',
    ),
  ]
}

/** Readers that do not animate show the first frame alone. */
function first({ motion: m, alt }: Picture): Found[] {
  if (m?.made.kind !== 'headline') return []
  const { says } = m.made
  const shown = (m.first ?? 0) === 0 && !m.reverse ? says[0]! : null
  const said = `${shown ?? ''} ${alt ?? ''}`.toLowerCase()
  const missing = (says.at(-1) ?? '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w.length > 3 && !said.includes(w))
  if (!missing.length) return []
  return [
    found(
      'mind',
      'first',
      'The first frame does not say what the last one does',
      `Readers that do not animate show the first frame alone: "${missing.slice(0, 3).join(', ')}" is not in it, nor in the alt text. Put the message first, or write it into the alt text.`,
    ),
  ]
}

/** Whether the file is what the values say: each change of them drops its mark. */
function made({ motion: m, picture }: Picture): Found[] {
  if (!m || (picture && m.key)) return []
  return [
    found(
      'mend',
      'made',
      'A moving picture is not made yet',
      'Its values were changed and its file was not: open it in Motion, where it is encoded by itself.',
    ),
  ]
}
