import type { Dir } from '../email/schema'
import { sides, type Sides } from '../email/styles'
import { trim, type Declarations } from '../html/element'
import { shrinking } from '../tiles/fluid'
import type { Rules } from '../tiles/rules'
import { box, flow } from '../tiles/space'

/** Space that a cell of a table keeps around what it holds, px; on narrow another, where that is said. */
export interface Inset {
  wide: Sides
  narrow: Sides
}

/** No space at all. */
export const flush: Inset = { wide: sides(0), narrow: sides(0) }

/** The space of a band, a cell or a tile. */
export const insetOf = ({ padding }: { padding: Sides }, narrow: Sides | undefined): Inset => ({
  wide: padding,
  narrow: narrow ?? padding,
})

const sum = (a: Sides, b: Sides): Sides => ({
  top: a.top + b.top,
  right: a.right + b.right,
  bottom: a.bottom + b.bottom,
  left: a.left + b.left,
})

/** One space inside another: a cell of a table keeps both at once. */
export const within = (outer: Inset, inner: Inset): Inset => ({
  wide: sum(outer.wide, inner.wide),
  narrow: sum(outer.narrow, inner.narrow),
})

/** The part of a space that a row of several keeps: above the first, beneath the last, on both sides of each. */
export const partOf = ({ wide, narrow }: Inset, first: boolean, last: boolean): Inset => {
  const part = (p: Sides): Sides => ({ ...p, top: first ? p.top : 0, bottom: last ? p.bottom : 0 })
  return { wide: part(wide), narrow: part(narrow) }
}

const bare = (p: Sides) => !(p.top || p.right || p.bottom || p.left)

export const isFlush = ({ wide, narrow }: Inset): boolean => bare(wide) && bare(narrow)

/** Whether it keeps nothing above and beneath. */
export const isLow = ({ wide, narrow }: Inset): boolean =>
  !(wide.top || wide.bottom || narrow.top || narrow.bottom)

/** Sides that are less on narrow by fewer px than this are left to the style sheet. */
const WORTH = 6

/** A space whose sides shrink without a style sheet, where they are to shrink at all. */
function shrinkingSides(wide: Sides, narrow: Sides): string | undefined {
  const [left, right] = (['left', 'right'] as const).map((side) =>
    wide[side] - narrow[side] >= WORTH ? shrinking(wide[side], narrow[side]) : px(wide[side]),
  )
  if (left === px(wide.left) && right === px(wide.right)) return undefined
  const [top, bottom] = [px(wide.top), px(wide.bottom)]
  return left === right && top === bottom ? `${top} ${left}` : `${top} ${right} ${bottom} ${left}`
}

const px = (n: number): string => (n === 0 ? '0' : `${trim(n)}px`)

/** A space as style, and the class for another on narrow. Cells begin without any (`cellpadding`). */
export function spaceStyle(
  { wide, narrow }: Inset,
  c: { dir: Dir; rules: Rules },
): { style: Declarations; name: string | undefined } {
  const [onWide, onNarrow] = [box(flow(wide, c.dir)), box(flow(narrow, c.dir))]
  const better = shrinkingSides(flow(wide, c.dir), flow(narrow, c.dir))
  return {
    style: { padding: bare(wide) ? undefined : better ? [onWide, better] : onWide },
    name: onWide === onNarrow ? undefined : c.rules.padding(flow(narrow, c.dir)),
  }
}
