import { newId, type NewId } from '../email/defaults'
import type { Band, Cell, Item, Stacking } from '../email/schema'
import {
  sides,
  type Align,
  type HouseStyle,
  type Role,
  type Sides,
  type TextStyleOverride,
} from '../email/styles'
import type { Tile, TileOf } from '../email/tile'
import type { Block, Heading, Inline } from '../email/richtext'
import { refOf, type Motif } from './motifs'
import { tonesOf, type Tones } from './tones'

/** Where links of a starter lead until they are written: a name kept for examples (RFC 2606, section 3). */
export const TO = 'https://example.com/'
/** Space at the sides of a band, px. */
const SIDE = 32
const SIDE_NARROW = 20

/** Ink and ground of a piece: as the house has them on paper, or on a ground of the starter's own. */
export type On = 'paper' | 'tint' | 'accent' | 'deep'

/** A column: its share of the band, and what it holds. */
export interface Column {
  share: number
  items: Item[]
  look?: Partial<Pick<Cell, 'background' | 'edges' | 'radius' | 'padding' | 'valign' | 'align'>>
}

export interface BandLook {
  role?: Role
  on?: On
  top?: number
  bottom?: number
  /** Space between columns, px. */
  gap?: number
  narrow?: Stacking
  /** Whether it reaches to the sides of the email. */
  flush?: boolean
}

/** What makes the pieces of a starter, for one client's house style and one width. */
export class Kit {
  readonly tones: Tones
  /** Width of what a band holds, px. */
  readonly room: number
  constructor(
    readonly width: number,
    readonly house: HouseStyle,
    readonly id: NewId = newId,
  ) {
    this.tones = tonesOf(house)
    this.room = width - 2 * SIDE
  }

  private base = (padding: Sides = sides(0)) => ({ id: this.id(), padding, show: 'all' as const })

  /** Space between columns, px: so that all are equally wide. @param about how much, px */
  evenGap = (columns: number, about: number): number => {
    const gaps = Array.from({ length: columns }, (_, i) => about - i)
    return gaps.find((gap) => (this.room - gap * (columns - 1)) % columns === 0) ?? about
  }

  /** The colour of a ground; none of paper's own. */
  ground = (on: On): string =>
    ({ paper: this.tones.paper, tint: this.tones.tint, accent: this.tones.accent, deep: this.tones.deep })[on]

  private ink = (on: On): TextStyleOverride =>
    on === 'accent' ? { color: this.tones.onAccent } : on === 'deep' ? { color: this.tones.onDeep } : {}

  /** Words: lines that begin with one to three # are headings, with - items of a list, with > a quotation. */
  words(
    text: string,
    how: {
      on?: On
      align?: Align
      padding?: Sides
      style?: TextStyleOverride
      small?: boolean
      /** Between its blocks, px. */
      space?: number
    } = {},
  ): TileOf<'words'> {
    const on = how.on ?? 'paper'
    const ink = this.ink(on)
    const style = { ...ink, ...how.style }
    return {
      ...this.base(how.padding),
      kind: 'words',
      text: { type: 'doc', content: blocksOf(text) },
      align: how.align ?? 'left',
      ...(Object.keys(style).length ? { style } : {}),
      ...(Object.keys(ink).length ? { headings: ink, link: ink } : {}),
      ...(how.small ? { base: 'small' as const } : {}),
      ...(how.space === undefined ? {} : { space: how.space }),
    }
  }

  button(
    label: string,
    how: { on?: On; align?: Align; top?: number; quiet?: boolean } = {},
  ): TileOf<'button'> {
    const { on = 'paper', align = 'left', top = 20, quiet } = how
    const { accent, onAccent, deep, onDeep, accentInk, paper } = this.tones
    const style = quiet
      ? { background: this.ground(on), color: accentInk, borderWidth: 2, borderColor: accentInk }
      : on === 'accent'
        ? { background: onAccent, color: onAccent === paper ? this.tones.accentInk : paper }
        : on === 'deep'
          ? { background: onDeep, color: deep }
          : { background: accent, color: onAccent }
    return {
      ...this.base({ ...sides(0), top }),
      kind: 'button',
      label,
      link: TO,
      align,
      fullNarrow: true,
      style,
    }
  }

  /** @param width, height as shown, px */
  picture(
    motif: Motif,
    width: number,
    height: number,
    alt: string,
    how: { align?: Align; padding?: Sides; radius?: number; play?: boolean; link?: string } = {},
  ): TileOf<'picture'> {
    const { play, padding, align = 'center', radius, link = TO } = how
    const w = Math.round(width)
    return {
      ...this.base(padding),
      kind: 'picture',
      picture: refOf({ motif, width: w * 2, height: Math.round(height) * 2, play }),
      alt,
      link,
      width: w,
      align,
      ...(radius ? { radius } : {}),
    }
  }

  /** A large figure over its unit. */
  figure = (figure: string, unit: string, on: On): Tile[] => [
    this.words(figure, { on, align: 'center', style: { size: 40, line: 46, bold: true } }),
    this.words(unit, { on, align: 'center' }),
  ]

  divider = (padding: Sides = sides(0)): TileOf<'divider'> => ({
    ...this.base(padding),
    kind: 'divider',
    color: this.tones.line,
    thickness: 1,
  })

  table(rows: string[][], how: Partial<TileOf<'table'>> = {}): TileOf<'table'> {
    const { tones } = this
    return {
      ...this.base(),
      kind: 'table',
      caption: '',
      columns: rows[0]!.map((_, i) => ({ align: i ? ('right' as const) : ('left' as const) })),
      rows,
      headRow: true,
      headColumn: false,
      headBackground: tones.deep,
      headColor: tones.onDeep,
      edge: { width: 1, style: 'solid', color: tones.line },
      space: 10,
      compact: 'whole',
      ...how,
    }
  }

  tile = <K extends Tile['kind']>(
    kind: K,
    rest: Omit<TileOf<K>, 'id' | 'kind' | 'padding' | 'show'> & { padding?: Sides },
  ) =>
    ({ ...this.base(rest.padding), ...rest, padding: rest.padding ?? sides(0), kind }) as unknown as TileOf<K>

  /** A row of cells inside a cell. @param room that it shares, px */
  row = (columns: Column[], room: number, narrow: Stacking = 'stack', gap = 0): Item => ({
    id: this.id(),
    kind: 'row',
    gap,
    narrow,
    cells: this.cells(columns, room, gap),
  })

  private cells(columns: Column[], room: number, gap: number): Cell[] {
    const all = columns.reduce((sum, c) => sum + c.share, 0)
    const free = room - gap * (columns.length - 1)
    let used = 0
    return columns.map(({ share, items, look }, i) => {
      const width = i === columns.length - 1 ? free - used : Math.round((free * share) / all)
      used += width
      return { id: this.id(), width, padding: sides(0), align: 'left', valign: 'top', items, ...look }
    })
  }

  /** A band of columns. */
  columns(name: string, columns: Column[], look: BandLook = {}): Band {
    const { role = 'main', on = 'paper', top = 32, bottom = 32, gap = 0, narrow = 'stack', flush } = look
    const side = flush ? 0 : SIDE
    const beside = flush ? 0 : SIDE_NARROW
    return {
      id: this.id(),
      name,
      role,
      background: this.ground(on),
      padding: { top, bottom, left: side, right: side },
      narrowPadding: { top, bottom, left: beside, right: beside },
      gap,
      narrow,
      show: 'all',
      cells: this.cells(columns, this.width - 2 * side, gap),
    }
  }

  /** A band of one column. */
  band = (name: string, items: Item[], look?: BandLook): Band =>
    this.columns(name, [{ share: 1, items }], look)
}

/** A tile that keeps off what it stands under. @param by px */
export const beneath = <T extends Tile>(tile: T, by = 14): T => ({
  ...tile,
  padding: { ...tile.padding, top: by },
})

/** Text to blocks, as the words of a starter are written. */
function blocksOf(text: string): Block[] {
  const blocks: Block[] = []
  for (const line of text.split('\n').filter(Boolean)) {
    const heading = /^(#{1,3}) (.*)$/.exec(line)
    const last = blocks.at(-1)
    if (heading)
      blocks.push({
        type: 'heading',
        attrs: { level: heading[1]!.length as Heading['attrs']['level'] },
        content: inlineOf(heading[2]!),
      })
    else if (line.startsWith('> '))
      blocks.push({ type: 'blockquote', content: [{ type: 'paragraph', content: inlineOf(line.slice(2)) }] })
    else if (line.startsWith('- ')) {
      const item = {
        type: 'listItem' as const,
        content: [{ type: 'paragraph' as const, content: inlineOf(line.slice(2)) }],
      }
      if (last?.type === 'bulletList') last.content.push(item)
      else blocks.push({ type: 'bulletList', content: [item] })
    } else blocks.push({ type: 'paragraph', content: inlineOf(line) })
  }
  return blocks
}

/** Words between two asterisks are bold, in square brackets a link; fields in two brackets stay. */
function inlineOf(text: string): Inline[] {
  return text
    .split(/(\*[^*]+\*|(?<!\[)\[[^[\]]+\](?!\]))/)
    .filter(Boolean)
    .map((part): Inline => {
      if (part.startsWith('*')) return { type: 'text', text: part.slice(1, -1), marks: [{ type: 'bold' }] }
      if (/^\[[^[]/.test(part))
        return { type: 'text', text: part.slice(1, -1), marks: [{ type: 'link', attrs: { href: TO } }] }
      return { type: 'text', text: part }
    })
}
