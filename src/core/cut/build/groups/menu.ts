import { wordsWidth } from '../../../email/widths'
import type { Tile } from '../../../email/tile'
import type { MenuGroup } from '../../intent/menus'
import type { Building, Placed } from '../building'
import { spaceAround, type Base, type Spot } from './place'

/** Space above and below the link of a menu, px (see tiles/menu). */
const LINK_SPACE = 4
/** Most space on each side of a link, px. */
const MOST_BESIDE = 60
/** Room for a menu on the narrowest phone, px; links nearer than the least run together, and where there is no room, they wrap at the usual. */
const NARROWEST = 280
const LEAST_BESIDE = 4
const USUAL_BESIDE = 10

/** Links in a row. */
export function menuTile(b: Building, group: MenuGroup, base: Base, spot: Spot): Placed<Tile> {
  const { cells, box } = group
  const set = b.lettering.of(cells[0]!.cut, cells[0]!.cut.ground ?? spot.behind)
  const color = cells[0]!.words.color
  // White space of one word parts two links beside their own space.
  const white = 0.28 * set.size
  // Letters take a little more room than their ink.
  const taken = cells.reduce(
    (sum, { said, words }) =>
      sum + Math.max(words.box.w / b.scale + 2, wordsWidth(said, set.stack, set.size, { bold: set.bold })),
    white * (cells.length - 1),
  )
  const free = (box.w / b.scale - taken) / (2 * Math.max(1, cells.length - 1))
  const space = Math.max(0, Math.min(MOST_BESIDE, Math.floor(free)))
  // On narrow as near as it takes to stand in one line.
  const narrow = Math.floor((NARROWEST - taken) / (2 * cells.length))
  const narrowSpace = Math.min(space, narrow >= LEAST_BESIDE ? narrow : USUAL_BESIDE)
  const height = set.line + 2 * LINK_SPACE
  const begins = box.y + box.h / 2 - (height * b.scale) / 2
  const around = spaceAround(b, { ...box, y: begins, h: height * b.scale }, spot)
  return {
    made: {
      ...base,
      kind: 'menu',
      // The space beside the first and the last link stands within: the cell has room for it once it is settled.
      padding: { ...around, left: around.left - space, right: around.right - space },
      items: cells.map(({ said, link }) => ({ label: said, link })),
      separator: '',
      space,
      ...(narrowSpace < space ? { narrowSpace } : {}),
      align: 'left',
      compact: 'wrap',
      style: {
        size: set.size,
        line: set.line,
        bold: set.bold,
        ...(color ? { color } : {}),
        ...(set.font ? { font: set.font } : {}),
      },
    },
    top: spot.top,
    bottom: spot.top + (around.top + height) * b.scale,
  }
}
