import { contrast, wantedContrast } from '../color/contrast'
import { colorDifference } from '../color/difference'
import { bandTrees } from '../compile'
import { styleOf } from '../email/cascade'
import type { Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import { behaviourIds, behaviours, type BehaviourId } from './behaviours'
import { usesOfHand } from './by-hand'
import { nightRulesOf, underBehaviour, usesOf, type Use } from './recolor'

/** How a colour stands off its partner by day, or under a behaviour. */
export interface Standing {
  color: string
  ground: string
  contrast: number
  /** What it needs (WCAG 2.2, 1.4.3 and 1.4.11); 0: nothing, as of a ground. */
  wanted: number
}

/** A use with how it stands everywhere. */
export interface StandingUse extends Use {
  band: string
  day: Standing
  at: Record<BehaviourId, Standing>
}

/** A colour of the email, and all its places. */
export interface EmailColor {
  color: string
  uses: StandingUse[]
  /** Weight for the order: px² of grounds, of letters what they cover about. */
  area: number
  /** What it is by day, and under each behaviour, where most of it stands. */
  at: Record<BehaviourId, string>
  /** How far that is from the day's (CIEDE2000). */
  shift: Record<BehaviourId, number>
  /** The least contrast as a part of what is wanted, by day and at night; 1 or more passes. */
  worst: number
  /** That contrast itself; null where nothing is read in it. */
  least: number | null
}

const standing = (use: Use, color: string, ground: string): Standing => ({
  color,
  ground,
  contrast: contrast(color, ground),
  wanted: use.what === 'words' ? wantedContrast(use.size, use.bold) : 0,
})

/** px² of a ground that was not measured. */
const GROUND = 40_000

/** Words cover about this much of the square of their size. */
const COVERED = 0.25

/**
 * Every colour of an email in one table, the largest first.
 * @param areaOf px² of what carries a mark, where it was measured; null: unknown
 */
export function colorsOf(
  email: Email,
  house: HouseStyle,
  areaOf: (mark: string) => number | null = () => null,
): EmailColor[] {
  const style = styleOf(house, email.styles)
  const page = style.ground
  const found = new Map<string, StandingUse[]>()
  const src = ({ id }: { id: string }) => id
  const add = (use: Use, band: string) => {
    const at = Object.fromEntries(
      behaviourIds.map((id) => {
        const under = underBehaviour(use, behaviours[id])
        return [id, standing(use, under.color, under.ground)]
      }),
    ) as StandingUse['at']
    const list = found.get(use.color) ?? []
    list.push({ ...use, band, day: standing(use, use.color, use.ground), at })
    found.set(use.color, list)
  }
  if (email.way === 'hand') for (const use of usesOfHand(email.hand?.html ?? '')) add(use, '')
  else
    for (const { band, tree } of bandTrees(email, house, { src, marks: true })) {
      const rules = nightRulesOf(tree.rules.values())
      for (const use of usesOf(tree.tree, { page, night: style.nightGround ?? page, rules }))
        add(use, band.id)
    }
  return [...found].map(([color, uses]) => colorOf(color, uses, areaOf)).sort((a, b) => b.area - a.area)
}

function colorOf(color: string, uses: StandingUse[], areaOf: (mark: string) => number | null): EmailColor {
  const weigh = (u: StandingUse): number =>
    u.what === 'words'
      ? u.length * u.size ** 2 * COVERED
      : u.what === 'ground'
        ? u.mark
          ? (areaOf(u.mark) ?? GROUND)
          : GROUND
        : 600
  const most = uses.reduce((a, b) => (weigh(b) > weigh(a) ? b : a))
  const pick = <T>(of: (id: BehaviourId) => T) =>
    Object.fromEntries(behaviourIds.map((id) => [id, of(id)])) as Record<BehaviourId, T>
  const at = pick((id) => most.at[id].color)
  return {
    color,
    uses,
    area: uses.reduce((sum, u) => sum + weigh(u), 0),
    at,
    shift: pick((id) => colorDifference(color, at[id])),
    worst: Math.min(...uses.map(leastOf), Infinity),
    least: leastContrast(uses),
  }
}

/** The least of a use's contrasts, as a part of what it needs. */
export const leastOf = (use: StandingUse): number =>
  Math.min(...[use.day, ...Object.values(use.at)].map((s) => (s.wanted ? s.contrast / s.wanted : Infinity)))

/** The contrast of the use that is furthest from what it needs. */
function leastContrast(uses: readonly StandingUse[]): number | null {
  const all = uses.flatMap((use) => [use.day, ...Object.values(use.at)]).filter((s) => s.wanted > 0)
  if (!all.length) return null
  return all.reduce((a, b) => (b.contrast / b.wanted < a.contrast / a.wanted ? b : a)).contrast
}
