import { contrast, wantedContrast } from '../color/contrast'
import { groundStays } from '../color/stripped'
import { bandTrees } from '../compile'
import { styleOf, type RoleStyle } from '../email/cascade'
import { applyEdit, type Edit } from '../email/edits'
import { bandGround, cellGround, groundsOf } from '../email/ground'
import type { Band, Cell, Email } from '../email/schema'
import {
  textStyleNames,
  type ButtonStyle,
  type Edge,
  type Edges,
  type Gradient,
  type HouseStyle,
  type StyleOverrides,
} from '../email/styles'
import type { Tile, TileOf } from '../email/tile'
import { cellsOf, tilesOf } from '../email/walk'
import { buttonStyleOf } from '../tiles/button/html'
import { blockStyle } from '../tiles/words/html'
import { codeAtNight } from './code'
import { nightRulesOf, usesOf, type Use } from './recolor'
import { NightTones } from './tones'

/**
 * A whole palette for the night, proposed from the day's: what is light becomes dark, hue kept; words what can be read there. Values of the night that were
 * set stay. As edits, one step together. Where something on a band could not be read at night, the band stays as it is by day.
 */
export function nightPalette(email: Email, house: HouseStyle): Edit[] {
  if (email.way !== 'bands') return []
  const before = unreadAtNight(email, house).length
  for (const everywhere of [false, true]) {
    const work = new Work(email, house, new NightTones(styleOf(house, email.styles).ground))
    work.grounds()
    work.styles(everywhere)
    for (let round = 0; round < 4 && work.settle(round > 0); round++);
    if (unreadAtNight(work.email, house).length <= before) return work.edits
  }
  // Rather no proposal than one that leaves more to mend than there was.
  return []
}

/** Words of the email that cannot be read at night, though they can by day. */
export function unreadAtNight(email: Email, house: HouseStyle): { band: Band; use: Use }[] {
  const style = styleOf(house, email.styles)
  const src = ({ id }: { id: string }) => id
  return bandTrees(email, house, { src, marks: true, conditions: () => true }).flatMap(({ band, tree }) => {
    const at = {
      page: style.ground,
      night: style.nightGround ?? style.ground,
      rules: nightRulesOf(tree.rules.values()),
    }
    return usesOf(tree.tree, at)
      .filter((use) => use.what === 'words' && unread(use))
      .map((use) => ({ band, use }))
  })
}

function unread(use: Use): boolean {
  const wanted = wantedContrast(use.size, use.bold)
  if (contrast(use.color, use.ground) < wanted) return false
  // A picture behind words stays as it is.
  if (use.behind.picture) return use.night.color !== use.color
  return contrast(use.night.color, use.night.ground) < wanted
}

interface Behind {
  day: string
  night: string
  picture: boolean
}

type Inked = { color?: string; nightColor?: string } | undefined

/**
 * Inks of the night for those that a tile has of its own: what it inherits for the night belongs to another ink.
 * @param inkOf an ink as it is at night, by the size and the weight of its letters; null: none is read
 */
function ownInks(
  tile: Tile,
  look: RoleStyle,
  inkOf: (ink: string, size: number, bold: boolean) => string | null,
): object {
  const set: Record<string, object> = {}
  const put = (key: string, own: Inked, size: number, bold: boolean) => {
    const ink = own?.color && !own.nightColor && inkOf(own.color, size, bold)
    if (ink) set[key] = { ...own, nightColor: ink }
  }
  if (tile.kind === 'words') {
    const words = tile as TileOf<'words'>
    const [body, ...headings] = ([0, 1, 2, 3] as const).map((level) => blockStyle(words, level, look))
    const least = headings.reduce((a, b) => (b.size < a.size ? b : a))
    put('style', words.style, body!.size, body!.bold)
    put('headings', words.headings, least.size, least.bold)
    put('link', words.link, body!.size, body!.bold)
  } else if (['footer', 'menu', 'review', 'table'].includes(tile.kind)) {
    const { style } = tile as TileOf<'menu'>
    const s = { ...look.text[look.base], ...style }
    put('style', style, s.size, s.bold)
  }
  return set
}

class Work {
  readonly edits: Edit[] = []
  private readonly kept = new Set<string>()
  /** What was put right already: where it is unread still, nothing of the tile reaches it. */
  private readonly mended = new Set<string>()
  private readonly before: Email

  constructor(
    public email: Email,
    private readonly house: HouseStyle,
    private readonly tones: NightTones,
  ) {
    this.before = email
  }

  private apply(edit: Edit): void {
    this.edits.push(edit)
    this.email = applyEdit(this.email, edit)
  }

  private get style() {
    return styleOf(this.house, this.email.styles)
  }

  /** Grounds of the page, of bands, cells, tables and custom code, and the lines that stand on them. */
  grounds(): void {
    const { tones } = this
    const { nightGround, ground } = this.style
    if (!nightGround)
      this.apply({
        name: 'setEmail',
        what: { styles: { ...this.email.styles, nightGround: tones.ground(ground) } },
      })
    for (const band of this.email.bands) {
      this.band(band)
      for (const cell of cellsOf(band)) this.cell(band, cell)
    }
    for (const band of this.email.bands)
      for (const [tile, behind] of groundsOf(band, this.style, this.email.behind))
        this.tile(band, tile, { day: behind.color, night: behind.night, picture: !!behind.picture })
  }

  private band(band: Band): void {
    const set: Partial<Pick<Band, 'nightBackground' | 'nightBleed' | 'gradient' | 'card'>> = {}
    if (band.gradient) set.gradient = { ...band.gradient, ...this.gradient(band.gradient) }
    if (band.background && !band.nightBackground) set.nightBackground = this.tones.ground(band.background)
    if (band.bleed && !band.nightBleed) set.nightBleed = this.tones.ground(band.bleed)
    const { edge } = band.card ?? {}
    if (band.card && edge && !edge.nightColor) {
      const { color, night } = bandGround({ ...band, ...set }, this.style)
      set.card = { ...band.card, edge: { ...edge, nightColor: this.tones.line(edge.color, color, night) } }
    }
    if (Object.keys(set).length) this.apply({ name: 'setBand', what: { id: band.id, set } })
  }

  private cell(band: Band, cell: Cell): void {
    const set: Partial<Pick<Cell, 'nightBackground' | 'gradient' | 'edges'>> = {}
    if (cell.gradient) set.gradient = this.gradient(cell.gradient)
    if (cell.background && !cell.nightBackground) set.nightBackground = this.tones.ground(cell.background)
    const now = this.email.bands.find((b) => b.id === band.id)!
    const behind = cellGround({ ...cell, ...set }, bandGround(now, this.style))
    const edges = cell.edges && this.edges(cell.edges, behind.color, behind.night)
    if (edges) set.edges = edges
    if (Object.keys(set).length) this.apply({ name: 'setCell', what: { id: cell.id, set } })
  }

  /** A gradient whose stops are as dark at night as a plain ground would be. */
  private gradient(gradient: Gradient): Pick<Gradient, 'angle' | 'stops'> {
    const stops = gradient.stops.map((s) => ({
      ...s,
      nightColor: s.nightColor ?? this.tones.ground(s.color),
    }))
    return { angle: gradient.angle, stops }
  }

  private edges(edges: Edges, day: string, night: string): Edges | null {
    const of = (e: Edge | undefined) =>
      e && !e.nightColor ? { ...e, nightColor: this.tones.line(e.color, day, night) } : e
    const next = {
      top: of(edges.top),
      right: of(edges.right),
      bottom: of(edges.bottom),
      left: of(edges.left),
    }
    return Object.keys(next).some((k) => next[k as keyof Edges] !== edges[k as keyof Edges]) ? next : null
  }

  /** What a tile says of its own grounds, lines and inks. */
  private tile(band: Band, tile: Tile, behind: Behind): void {
    const set =
      tile.kind === 'table'
        ? this.table(tile as TileOf<'table'>, behind)
        : tile.kind === 'code'
          ? codeAtNight(
              tile as TileOf<'code'>,
              behind,
              this.style.roles[band.role].text.body.color,
              this.tones,
            )
          : tile.kind === 'divider'
            ? this.divider(tile as TileOf<'divider'>, behind)
            : tile.kind === 'button'
              ? this.button(tile as TileOf<'button'>, band, behind)
              : null
    const inks = ownInks(tile, this.style.roles[band.role], (ink, size, bold) =>
      behind.picture ? ink : this.tones.ink(ink, [behind.night], wantedContrast(size, bold)),
    )
    this.setTile(tile, { ...inks, ...set })
  }

  private setTile(tile: Tile, set: object): void {
    if (Object.keys(set).length)
      this.apply({ name: 'setTile', what: { id: tile.id, kind: tile.kind, set } } as Edit)
  }

  private divider(
    tile: TileOf<'divider'>,
    { day, night }: { day: string; night: string },
  ): Partial<TileOf<'divider'>> | null {
    return tile.nightColor ? null : { nightColor: this.tones.line(tile.color, day, night) }
  }

  private table(
    tile: TileOf<'table'>,
    { day, night }: { day: string; night: string },
  ): Partial<TileOf<'table'>> {
    const { tones } = this
    const set: Partial<TileOf<'table'>> = {}
    // Stripes are as quiet at night as by day.
    if (tile.zebra && !tile.nightZebra) set.nightZebra = tones.line(tile.zebra, day, night)
    if (tile.headBackground && !tile.nightHeadBackground)
      set.nightHeadBackground = tones.ground(tile.headBackground)
    const head = set.nightHeadBackground ?? tile.nightHeadBackground ?? night
    if (tile.headColor && !tile.nightHeadColor)
      set.nightHeadColor = tones.ink(tile.headColor, [head]) ?? undefined
    if (tile.rowLooks)
      set.rowLooks = tile.rowLooks.map((look) => {
        const ground = look.background && (look.nightBackground ?? tones.ground(look.background))
        const ink = look.color && (look.nightColor ?? tones.ink(look.color, [ground ?? night]))
        return {
          ...look,
          ...(ground ? { nightBackground: ground } : {}),
          ...(ink ? { nightColor: ink } : {}),
        }
      })
    if (tile.edge && !tile.edge.nightColor)
      set.edge = { ...tile.edge, nightColor: tones.line(tile.edge.color, day, night) }
    return set
  }

  /** A button stays as it is where it is told from what is behind; one of the ground's own colour follows it. */
  private button(
    tile: TileOf<'button'>,
    band: Band,
    { night }: { day: string; night: string },
  ): Partial<TileOf<'button'>> | null {
    const s = buttonStyleOf(tile, this.style.roles[band.role])
    const style: Partial<ButtonStyle> = {}
    const seen = s.borderWidth ? contrast(s.borderColor ?? s.color, night) : contrast(s.background, night)
    if (!s.nightBackground && seen < SEEN) {
      const ground = contrast(s.background, night) < SEEN ? this.tones.ground(s.background) : s.background
      // Dark on dark: it becomes as light as it was dark.
      const lit = s.borderWidth ? ground : (this.tones.ink(s.background, [night], SEEN) ?? s.background)
      style.nightBackground = lit
      const ink = this.tones.ink(s.color, [lit])
      if (ink && !s.nightColor) style.nightColor = ink
      if (s.borderWidth && !s.nightBorder)
        style.nightBorder = this.tones.ink(s.borderColor ?? s.color, [night], SEEN) ?? undefined
    }
    // A desktop program takes a light ground away: an edge of its colour, unseen by day, keeps the box.
    if (!s.borderWidth && !groundStays(s.background)) {
      Object.assign(style, {
        borderWidth: 1,
        borderColor: s.background,
        ...(style.nightBackground ? { nightBorder: style.nightBackground } : {}),
        padX: Math.max(0, s.padX - 1),
        padY: Math.max(0, s.padY - 1),
      })
    }
    return Object.keys(style).length ? { style: { ...tile.style, ...style } } : null
  }

  /** Inks of the email's own styles, as they are read on the dark grounds. @param everywhere on all others, too, or not at all */
  styles(everywhere: boolean): void {
    const style = this.style
    const dark = this.nightGrounds(everywhere)
    const { main } = style.roles
    const text: NonNullable<StyleOverrides['text']> = { ...this.email.styles.text }
    for (const name of textStyleNames) {
      const { color, nightColor } = main.text[name]
      const ink = nightColor ? null : this.tones.ink(color, dark)
      if (ink && ink !== color) text[name] = { ...text[name], nightColor: ink }
    }
    const link = main.link.nightColor ? null : this.tones.ink(main.link.color, dark)
    const styles: StyleOverrides = {
      ...this.email.styles,
      ...(Object.keys(text).length ? { text } : {}),
      ...(link && link !== main.link.color ? { link: { ...this.email.styles.link, nightColor: link } } : {}),
    }
    if (JSON.stringify(styles) !== JSON.stringify(this.email.styles))
      this.apply({ name: 'setEmail', what: { styles } })
  }

  /** The dark ones among all grounds of the night; words on those that stay bright keep their own ink. */
  private nightGrounds(everywhere: boolean): string[] {
    const style = this.style
    const all = this.email.bands.flatMap((band) =>
      [...groundsOf(band, style, this.email.behind)].map(([, g]) => g.night),
    )
    const grounds = [...new Set([...all, style.nightGround ?? style.ground])]
    return everywhere ? grounds : grounds.filter((g) => contrast(g, '#ffffff') > contrast(g, '#000000'))
  }

  /**
   * Puts right, tile by tile, what cannot be read yet. @param last whether bands with what cannot be put right stay as by day
   * @returns whether anything is left to look at
   */
  settle(last: boolean): boolean {
    const left = unreadAtNight(this.email, this.house)
    const before = this.edits.length
    const done = new Set<string>()
    for (const { band, use } of left) {
      const id = use.mark?.split(' ').at(-1)
      const tile = [...tilesOf(this.email.bands.find((b) => b.id === band.id)!)].find((t) => t.id === id)
      const key = `${id} ${use.color} ${use.said.link}`
      if (done.has(key)) continue
      done.add(key)
      const ink = use.behind.picture
        ? use.color
        : this.tones.ink(use.color, [use.night.ground], wantedContrast(use.size, use.bold))
      const set = tile && ink && !this.mended.has(key) && this.inked(tile, band, use, ink)
      if (set) {
        this.mended.add(key)
        this.setTile(tile, set)
      } else if (last) this.keepBright(band.id)
    }
    return left.length > 0 && (this.edits.length > before || !last)
  }

  /** A tile whose words of one use have an ink of the night of their own; null where it has no place for one, or it is set already. */
  private inked(tile: Tile, band: Band, use: Use, ink: string): object | null {
    const look = this.style.roles[band.role]
    if (tile.kind === 'words') {
      const words = tile as TileOf<'words'>
      if (use.said.link && { ...look.link, ...words.link }.color === use.color)
        return { link: { ...words.link, nightColor: ink } }
      const levels = ([0, 1, 2, 3] as const).filter((l) => blockStyle(words, l, look).color === use.color)
      if (!levels.length) return null
      return {
        ...(levels[0] === 0 ? { style: { ...words.style, nightColor: ink } } : {}),
        ...(levels.at(-1) ? { headings: { ...words.headings, nightColor: ink } } : {}),
      }
    }
    if (tile.kind === 'review' && (tile as TileOf<'review'>).starColor === use.color)
      return { nightStarColor: ink }
    if (tile.kind === 'table' && (tile as TileOf<'table'>).headColor === use.color)
      return { nightHeadColor: ink }
    if (use.said.link && tile.kind === 'footer')
      return { link: { ...(tile as TileOf<'footer'>).link, nightColor: ink } }
    if (tile.kind === 'button') return { style: { ...(tile as TileOf<'button'>).style, nightColor: ink } }
    if (['footer', 'menu', 'review', 'table'].includes(tile.kind))
      return { style: { ...(tile as TileOf<'menu'>).style, nightColor: ink } }
    return null
  }

  /** A band on which something would not be read at night has the grounds of the day there. */
  private keepBright(id: string): void {
    if (this.kept.has(id)) return
    this.kept.add(id)
    // What was set by hand stays.
    const set = this.before.bands.find((b) => b.id === id)!
    if (set.nightBackground || [...cellsOf(set)].some((cell) => cell.nightBackground)) return
    const band = this.email.bands.find((b) => b.id === id)!
    const { color } = bandGround(band, this.style)
    const { gradient } = set
    this.apply({
      name: 'setBand',
      what: { id, set: { nightBackground: color, ...(gradient ? { gradient } : {}) } },
    })
    for (const cell of cellsOf(set))
      if (cell.gradient)
        this.apply({ name: 'setCell', what: { id: cell.id, set: { gradient: cell.gradient } } })
    for (const cell of cellsOf(band))
      if (cell.background && cell.nightBackground !== cell.background)
        this.apply({ name: 'setCell', what: { id: cell.id, set: { nightBackground: cell.background } } })
  }
}

/** Contrast of a button with what is behind it at which its box is seen (common practice, no source; WCAG 2.2, 1.4.11 wants 3 where nothing else tells it). */
const SEEN = 1.6

/** An edge that only shows at night, as a ready choice for cards: by day it is all but its ground (common practice, no source). @param ground behind the card, by day */
export const nightEdge = (ground: string) => {
  const night = new NightTones(ground).ground(ground)
  return {
    width: 1,
    style: 'solid' as const,
    color: ground,
    nightColor: contrast(night, '#ffffff') > contrast(night, '#000000') ? '#5c6066' : '#c4c8cc',
  }
}
