import { useMemo } from 'react'
import { compileMapped, type Parts } from '@/core/compile'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { styleOf } from '@/core/email/cascade'
import { behaviours, type BehaviourId } from '@/core/night/behaviours'
import { recoloredHand } from '@/core/night/by-hand'
import { recoloredAround, withRules } from '@/core/night/page'
import { recolored } from '@/core/night/recolor'
import { asSample } from '@/core/text/fields'
import { src } from '../bench/src'
import { shownHouse } from '../parts/house-fonts'

export type LensId = 'day' | BehaviourId

const everyone = () => true
const fields = asSample({ unsubscribe: '#' })
/** One pass for each behaviour and ground, so that bands are remembered by it. */
const passes = new Map<
  string,
  { key: string; run: (nodes: Parameters<typeof recolored>[0]) => ReturnType<typeof recolored> }
>()

function passOf(id: BehaviourId, page: string) {
  const key = `${id}:${page}`
  let pass = passes.get(key)
  if (!pass) passes.set(key, (pass = { key, run: (nodes) => recolored(nodes, behaviours[id], page) }))
  return pass
}

/** The email as a reader with such a dark mode shows it. @param honoured whether the email's own rules for the dark hold too */
export function partsUnder(email: Email, house: HouseStyle, id: LensId, honoured: boolean): Parts {
  const behaviour = id === 'day' ? null : behaviours[id]
  const page = styleOf(house, email.styles).ground
  const { before, bands, after } = compileMapped(email, shownHouse(house), {
    src,
    countdowns: '/api/countdown',
    fields,
    conditions: everyone,
    marks: true,
    apart: true,
    ...(behaviour?.recolors && id !== 'day' ? { pass: passOf(id, page) } : {}),
  }).parts()
  if (!behaviour) return { before, bands, after }
  const rules = honoured && behaviour.rules === 'none' ? { rules: 'media' as const } : behaviour
  const shown = (html: string) => withRules(html, rules)
  if (email.way === 'hand') return { before: shown(recoloredHand(before, behaviour)), bands, after }
  return {
    before: shown(recoloredAround(before, behaviour)),
    bands: bands.map((b) => ({ ...b, html: shown(b.html) })),
    after,
  }
}

export const useForecast = (email: Email, house: HouseStyle, id: LensId, honoured: boolean): Parts =>
  useMemo(() => partsUnder(email, house, id, honoured), [email, house, id, honoured])
