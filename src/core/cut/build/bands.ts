import { plainOf } from '../../email/richtext'
import { sides } from '../../email/styles'
import type { Band, Row } from '../../email/schema'
import { cutsOf, type Tile } from '../../email/tile'
import { placesOf } from '../../email/walk'
import { leavesOf } from '../partition'
import { groundId } from '../plan'
import { difference, packHex, type Rect } from '../raster'
import { loose, type Building, type Node, type Placed } from './building'
import { cellOf, liftOf, pitchOf, rowOf } from './cells'
import { followNarrow } from './follow-narrow'
import { withFooter } from './footer'
import { evenSides } from './even-sides'
import { withQuotations } from './quotations'
import { joined } from './runs'
import { settled } from './settle'
import { stripsOf, type Strip } from './strips'

/** A first band lower than this is the header, px of the email. */
const HEADER_HEIGHT = 140
/** Cuts of this share of the design's width count as reaching across it: hand-drawn ones may miss by a few px. */
const WHOLE = 0.98
/** As much as words may run wider than the design's, px of the email: fonts differ from machine to machine. */
const GROWTH = 16
/** Below this share of a band's edge its commonest colour says little of what words stand on. */
const SURE = 0.5
/** Grounds that differ by no more than this in any channel may be one, scattered by JPEG. */
const NOISE = 10
/** Longest name of a band, characters and words. */
const NAME_LENGTH = 40
const NAME_WORDS = 3

/** The bands of a plan, from the top. */
export function bandsOf(b: Building): Band[] {
  const { size } = b.input
  if (!b.cuts.length) return []
  const strips = stripsOf(b)
  const bands = strips.map((s, i) => bandOf(b, s, i, strips.length))
  // What lies between bands becomes padding of the neighbour of its colour, else a band of its own.
  const out: Band[] = []
  let y = 0
  const space = (to: number, next: Band | undefined) => {
    const height = to - y
    if (height < b.scale / 2) return
    const color = b.input.groundOf({ x: 0, y, w: size.width, h: height }).color
    const last = out.at(-1)
    if (last?.background === color)
      last.padding = { ...last.padding, bottom: last.padding.bottom + b.px(height) }
    else if (next?.background === color)
      next.padding = { ...next.padding, top: next.padding.top + b.px(height) }
    else out.push(gapBand(b, color, height, `gap-${y}`))
  }
  strips.forEach((s, i) => {
    space(s.y, bands[i])
    out.push(bands[i]!)
    y = Math.max(y, s.bottom)
  })
  space(size.height, undefined)
  return refined(b, out)
}

/** Placed bands as they are meant: spaces shared, words joined, quotations and the small print as tiles that say so. */
function refined(b: Building, bands: Band[]): Band[] {
  const { emailWidth: width, previous, narrow, plan } = b.input
  const tiles = previous ? [...placesOf(previous)].map((p) => p.tile) : []
  const before = tiles.flatMap((t) => ((t.kind === 'words' || t.kind === 'footer') && t.cuts ? [t.cuts] : []))
  const cutsThatWere = (kind: Tile['kind']) =>
    new Set(tiles.flatMap((t) => (t.kind === kind ? cutsOf(t) : [])))
  // Words that were built before stay words: a person may have written in them.
  const free = (were: ReadonlySet<string>) => (tile: Tile) =>
    !cutsOf(tile).some((id) => id in plan.built && !were.has(id))
  const placed = evenSides(settled(bands, width, b.loose, b.rooms, narrow?.side), width, b.rooms)
  const reviews = cutsThatWere('review')
  const quoted = withQuotations(narrow ? followNarrow(placed, narrow) : placed, free(reviews), reviews)
  return withFooter(
    joined(quoted, { width, rooms: b.rooms, apart: b.apart, before }),
    free(cutsThatWere('footer')),
  )
}

function gapBand(b: Building, color: string, height: number, id: string): Band {
  const { emailWidth } = b.input
  return {
    id,
    name: 'Space',
    role: 'main',
    background: color,
    padding: sides(0),
    gap: 0,
    narrow: 'stack',
    show: 'all',
    cells: [
      {
        id: `${id}-c`,
        width: emailWidth,
        padding: sides(0),
        align: 'left',
        valign: 'top',
        items: [
          {
            id: `${id}-t`,
            kind: 'gap',
            padding: sides(0),
            show: 'all',
            height: Math.max(1, height / b.scale),
          },
        ],
      },
    ],
  }
}

function bandOf(b: Building, strip: Strip, index: number, count: number): Band {
  const { node, y, bottom } = strip
  const { size } = b.input
  if (node.kind === 'panel' && node.panel.picture) return onPicture(b, strip, node, index, count)
  const first = leavesOf(node)[0]!
  const whole: Rect = { x: 0, y, w: size.width, h: bottom - y }
  const { background, gradient } = b.groundAs(whole, backgroundOf(b, node, whole), b.standingIn(whole))
  const role = roleOf(b, whole, index, count)
  const { grown, spread } = roomBeside(b, node)
  const pitch = pitchOf(b, node)
  const outer = pitch
    ? { ...node.box, x: pitch.x, w: pitch.w * (node.kind === 'columns' ? node.parts.length : 1) }
    : { ...node.box, x: node.box.x - spread, w: node.box.w + grown + 2 * spread }
  const left = b.px(outer.x),
    right = b.px(size.width - outer.x - outer.w)
  const {
    made,
    top: begin,
    bottom: end,
  } = node.kind === 'columns'
    ? rowOf(b, node, outer, background)
    : singleRow(b, node, outer, background, `c-${first.id}`)
  // Whole px in place of the design's own heights must not add up from band to band: what one is too high,
  // the next makes good.
  const above = b.px(begin - y - b.drift)
  const shift = y + b.drift + above * b.scale - begin
  const below = b.px(bottom - end - shift)
  b.drift = end + shift + below * b.scale - bottom
  return {
    id: `b-${first.id}`,
    name: nameOf(b, node, role, index),
    role,
    background,
    ...(gradient ? { gradient: { ...gradient, across: 'email' as const } } : {}),
    padding: { top: above, bottom: below, left, right },
    show: 'all',
    ...made,
  }
}

/** A band with a picture behind all that stands on it, as high as the picture shows it. */
function onPicture(
  b: Building,
  strip: Strip,
  { panel, inner }: Extract<Node, { kind: 'panel' }>,
  index: number,
  count: number,
): Band {
  const { background, gradient } = b.groundAs(panel, panel.color, b.standingIn(panel))
  const picture = gradient ? undefined : b.input.pictures.get(groundId(panel))
  const [first] = leavesOf(inner)
  // What stands on it is told from no ground of its own.
  const band = bandOf(b, { ...strip, y: panel.y, bottom: panel.y + panel.h, node: inner }, index, count)
  return {
    ...band,
    id: `b-${first!.id}`,
    background,
    ...(gradient ? { gradient: { ...gradient, across: 'email' as const } } : {}),
    ...(picture
      ? { picture: { picture, across: 'email', fit: 'cover', x: 'center', y: 'center' } as const }
      : {}),
  }
}

/** The first of several is the header where it is low, the last the footer. */
function roleOf(b: Building, whole: Rect, index: number, count: number): Band['role'] {
  if (count <= 2) return 'main'
  if (index === 0 && whole.h / b.scale < HEADER_HEIGHT) return 'header'
  return index === count - 1 ? 'footer' : 'main'
}

/** Room that words may grow into beside a band's cuts, design px. */
function roomBeside(b: Building, node: Node): { grown: number; spread: number } {
  const most = GROWTH * b.scale
  const left = node.box.x,
    right = b.input.size.width - node.box.x - node.box.w
  return {
    // Words of the last column may run a little wider than the design's.
    grown: node.kind === 'columns' && node.parts.at(-1)!.kind !== 'panel' ? Math.min(most, 0.5 * right) : 0,
    // So may those of rows: on both sides, so that what is centred stays so.
    spread: node.kind === 'rows' ? Math.floor(Math.max(0, Math.min(most, 0.5 * left, 0.5 * right))) : 0,
  }
}

function singleRow(
  b: Building,
  node: Node,
  rect: Rect,
  behind: string,
  id: string,
): Placed<Pick<Row, 'gap' | 'narrow' | 'cells'>> {
  const lift = liftOf(b, node, rect)
  const { made, top, bottom } = cellOf(b, node, { ...rect, y: rect.y - lift, h: rect.h + lift }, behind, id)
  return { made: { gap: 0, narrow: 'stack', cells: [made] }, top, bottom }
}

/**
 * A single words or flat cut lends the band its colour; elsewhere it is the commonest colour at the band's
 * own edge.
 */
function backgroundOf(b: Building, node: Node, whole: Rect): string {
  if (
    node.kind === 'leaf' &&
    (node.cut.kind === 'words' || node.cut.kind === 'flat') &&
    node.cut.ground &&
    node.cut.w >= WHOLE * whole.w
  )
    return node.cut.ground
  const ground = b.input.groundOf(
    node.kind === 'leaf' && node.cut.kind === 'picture' && node.cut.w >= WHOLE * whole.w ? node.cut : whole,
  )
  // Of a ring that says little, what the words of the band stand on says more, unless they stand on a panel
  // of their own.
  const stood = loose(node).find((c) => c.kind === 'words' && c.ground)
  // Of a JPEG the words' ground is the surer: it was read with the noise taken off.
  const near = stood && difference(packHex(stood.ground!), packHex(ground.color)) <= NOISE
  return stood && node.kind !== 'leaf' && (ground.share < SURE || near) ? stood.ground! : ground.color
}

function nameOf(b: Building, node: Node, role: Band['role'], index: number): string {
  if (role === 'header') return 'Header'
  if (role === 'footer') return 'Footer'
  for (const cut of leavesOf(node)) {
    const said =
      cut.words && (cut.kind === 'words' || cut.kind === 'button')
        ? plainOf(cut.words)
        : cut.kind === 'picture'
          ? (cut.alt ?? '')
          : ''
    const words = said
      .trim()
      .split(/\s+/)
      .slice(0, NAME_WORDS)
      .join(' ')
      .replace(/[.,;:!?]{1,3}$/, '')
    if (words) return words.slice(0, NAME_LENGTH)
  }
  const kinds = new Set(leavesOf(node).map((c) => c.kind))
  return `${kinds.size > 1 ? 'Mixed' : { picture: 'Picture', words: 'Words', flat: 'Flat', button: 'Button', rule: 'Rule', nothing: 'Space' }[first(kinds)]} ${index + 1}`
}

const first = <T>(s: Set<T>): T => [...s][0]!
