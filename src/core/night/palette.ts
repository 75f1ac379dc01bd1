import { contrast } from '../color/contrast'
import { styleOf } from '../email/cascade'
import type { Edit } from '../email/edits'
import type { Email } from '../email/schema'
import { textStyleNames, type HouseStyle, type StyleOverrides } from '../email/styles'
import { brightness, turnedOver } from './lightness'

/** Grounds brighter than this become dark. */
const LIGHT = 160

/** A ground at night: a light one turned over, a dark one as it is. */
const nightGround = (day: string): string => (brightness(day) > LIGHT ? turnedOver(day) : day)

/** An ink at night that is read on all grounds it may get: the day's turned over where it would not be. */
function nightInk(day: string, grounds: readonly string[]): string {
  const reads = (ink: string) => grounds.every((g) => contrast(ink, g) >= 4.5)
  if (reads(day)) return day
  const turned = turnedOver(day)
  return reads(turned) ? turned : '#ffffff'
}

/**
 * A whole palette for the night, proposed from the day's: what is light becomes dark, hue kept; words what can be read there. Values of the night that were
 * set stay. As edits, one step together.
 */
export function nightPalette(email: Email, house: HouseStyle): Edit[] {
  const style = styleOf(house, email.styles)
  const edits: Edit[] = []
  const grounds = new Set<string>([style.nightGround ?? nightGround(style.ground)])
  for (const band of email.bands) {
    const set: { nightBackground?: string; nightBleed?: string } = {}
    if (band.background && !band.nightBackground) set.nightBackground = nightGround(band.background)
    if (band.bleed && !band.nightBleed) set.nightBleed = nightGround(band.bleed)
    grounds.add(set.nightBackground ?? band.nightBackground ?? [...grounds][0]!)
    if (Object.keys(set).length) edits.push({ name: 'setBand', what: { id: band.id, set } })
    for (const cell of band.cells)
      if (cell.background && !cell.nightBackground)
        edits.push({
          name: 'setCell',
          what: { id: cell.id, set: { nightBackground: nightGround(cell.background) } },
        })
  }
  // Words of the email’s own styles stand on its dark grounds; those on grounds that stay bright keep their own.
  const dark = [...grounds].filter((g) => brightness(g) < 128)
  const main = style.roles.main
  const text: NonNullable<StyleOverrides['text']> = { ...email.styles.text }
  for (const name of textStyleNames) {
    const { color, nightColor } = main.text[name]
    if (!nightColor) text[name] = { ...text[name], nightColor: nightInk(color, dark) }
  }
  const styles: StyleOverrides = {
    ...email.styles,
    text,
    nightGround: style.nightGround ?? nightGround(style.ground),
    ...(main.link.nightColor
      ? {}
      : { link: { ...email.styles.link, nightColor: nightInk(main.link.color, dark) } }),
  }
  edits.push({ name: 'setEmail', what: { styles } })
  return edits
}

/** An edge that only shows at night, as a ready choice for cards: by day it is all but its ground (common practice, no source). @param ground behind the card, by day */
export const nightEdge = (ground: string) => ({
  width: 1,
  style: 'solid' as const,
  color: ground,
  nightColor: brightness(nightGround(ground)) < 128 ? '#5c6066' : '#c4c8cc',
})
