import type { Ink } from '../ink'
import { groundId, type Cut, type CutPlan, type Panel } from '../plan'
import type { Rect } from '../raster'
import type { BuildInput } from './building'

const OTHER = { left: 'right', right: 'left' } as const
const turned = <T extends string>(side: T): T => (OTHER[side as 'left'] as T | undefined) ?? side

/**
 * A design that is read from the right as in a mirror: built from that, what is left of it stands where lines begin, as documents have it (`Sides`), and rows
 * come in their order. Pictures and gradients stay as they are drawn.
 */
export function mirrored(input: BuildInput): BuildInput {
  const { width } = input.size
  const flip = <R extends Pick<Rect, 'x' | 'w'>>(r: R): R => ({ ...r, x: width - r.x - r.w })
  const cuts = input.plan.cuts.map((cut) => flipCut(cut, flip))
  const panels = input.plan.panels.map((p): Panel => {
    const { bar } = p
    return { ...flip(p), ...(bar ? { bar: { ...bar, side: turned(bar.side) } } : {}) }
  })
  const plan: CutPlan = { ...input.plan, cuts, panels }
  // A picture behind a band is known by where it lies.
  const behind = input.plan.panels.flatMap((p, i) => {
    const picture = input.pictures.get(groundId(p))
    return picture ? [[groundId(panels[i]!), picture] as const] : []
  })
  const { gradientOf } = input
  return {
    ...input,
    plan,
    pictures: new Map([...input.pictures, ...behind]),
    groundOf: (r) => input.groundOf(flip(r)),
    readInk: (r, ground): Ink => {
      const ink = input.readInk(flip(r), ground)
      return { ...ink, lines: ink.lines.map(flip) }
    },
    ...(gradientOf
      ? { gradientOf: (r: Rect, apart: readonly Rect[]) => gradientOf(flip(r), apart.map(flip)) }
      : {}),
  }
}

function flipCut(cut: Cut, flip: <R extends Pick<Rect, 'x' | 'w'>>(r: R) => R): Cut {
  const { ink, lettering } = cut
  return {
    ...flip(cut),
    ...(ink ? { ink: { ...flip(ink), room: flip(ink.room) } } : {}),
    ...(lettering?.align ? { lettering: { ...lettering, align: turned(lettering.align) } } : {}),
  }
}
