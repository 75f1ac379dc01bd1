import { contrast, wantedContrast } from '../color/contrast'
import { markOf, type Block } from '../email/richtext'
import type { Band, Cell } from '../email/schema'
import type { Tile } from '../tiles/schema'
import { blockStyle } from '../tiles/words/html'
import { buttonStyleOf } from '../tiles/button/html'
import type { TextStyle } from '../email/styles'
import { footerStyle } from '../tiles/footer/html'
import { menuStyle } from '../tiles/menu/html'
import { reviewStyle } from '../tiles/review/html'
import { tableStyle } from '../tiles/table/html'
import type { Check, CheckContext } from './check'

/** A pair of colours that words are read in. */
interface Pair {
  color: string
  ground: string
  size: number
  bold: boolean
}

export const contrastLow: Check = {
  name: 'contrast-low',
  about: 'Words stand off their ground by WCAG 2.2 AA (1.4.3): 4.5 to 1, large ones 3 to 1.',
  run: (c) =>
    c.email.bands.flatMap((band) =>
      tilesOnGround(band, band.cells, band.background ?? band.bleed ?? c.style.ground).flatMap(
        ([tile, ground]) => {
          const low = pairsOf(tile, ground, band, c)
            .map((p) => ({ ...p, is: contrast(p.color, p.ground), wanted: wantedContrast(p.size, p.bold) }))
            .filter((p) => p.is < p.wanted)
            .sort((a, b) => a.is - b.is)[0]
          if (!low) return []
          return [
            {
              weight: 'mend' as const,
              stage: 'compose' as const,
              where: { band: band.id, tile: tile.id },
              what: `Contrast ${(Math.floor(low.is * 100) / 100).toFixed(2)}, wants ${low.wanted}`,
              why: `${low.color} on ${low.ground} is hard to read for many, and for everyone in sunlight. Darken one or lighten the other.`,
            },
          ]
        },
      ),
    ),
}

/** Every tile with the ground behind it. */
function tilesOnGround(band: Band, cells: Cell[], behind: string): [Tile, string][] {
  return cells.flatMap((cell) => {
    const ground = cell.background ?? behind
    return cell.items.flatMap((item) =>
      item.kind === 'row' ? tilesOnGround(band, item.cells, ground) : [[item, ground] as [Tile, string]],
    )
  })
}

function pairsOf(tile: Tile, ground: string, band: Band, c: CheckContext): Pair[] {
  const look = c.style.roles[band.role]
  if (tile.kind === 'button') {
    const s = buttonStyleOf(tile, look)
    return [{ color: s.color, ground: s.background, size: s.size, bold: s.bold }]
  }
  const read = (s: TextStyle): Pair => ({ color: s.color, ground, size: s.size, bold: s.bold })
  switch (tile.kind) {
    case 'menu':
      return [read(menuStyle(tile, look))]
    case 'table': {
      const s = tableStyle(tile, look)
      return [
        read(s),
        ...(tile.zebra ? [{ ...read(s), ground: tile.zebra }] : []),
        ...(tile.headRow || tile.headColumn
          ? [
              {
                ...read(s),
                color: tile.headColor ?? s.color,
                ground: tile.headBackground ?? ground,
                bold: true,
              },
            ]
          : []),
      ]
    }
    case 'review':
      return [read(reviewStyle(tile, look))]
    case 'footer': {
      const s = footerStyle(tile, look)
      return [read(s), { ...read(s), color: tile.style?.color ?? look.link.color }]
    }
    case 'words':
      break
    default:
      return []
  }
  const pairs: Pair[] = []
  const walk = (b: Block) => {
    if (b.type === 'bulletList' || b.type === 'orderedList') {
      b.content.forEach((i) => i.content.forEach(walk))
      return
    }
    if (b.type === 'blockquote') {
      b.content.forEach(walk)
      return
    }
    const s = blockStyle(tile, b.type === 'heading' ? b.attrs.level : 0, look)
    for (const run of b.content ?? []) {
      if (run.type !== 'text' || !run.text.trim()) continue
      const own = markOf(run, 'textStyle')?.attrs
      const color = own?.color ?? (markOf(run, 'link') ? (tile.link?.color ?? look.link.color) : s.color)
      pairs.push({
        color,
        ground: own?.backgroundColor ?? ground,
        size: own?.fontSize ? parseInt(own.fontSize) : s.size,
        bold: s.bold || !!markOf(run, 'bold'),
      })
    }
  }
  tile.text.content.forEach(walk)
  return pairs
}
