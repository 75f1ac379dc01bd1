import { elementsOf } from '../html/elements'
import { readStyle, styleText } from '../html/stylesheet'
import { paddingOf, pxOf, styleOfElement } from '../html/values'
import type { Element, ElementContent } from 'hast'
import type { GroundGradient, GroundPicture } from '../email/schema'
import { sides, type Gradient, type Sides } from '../email/styles'
import { boxButton } from './leaves'
import { frameOf, groundPictureOf, groundPlace, handDown, isFramed, ownGround, type Inherited } from './css'
import { gradientOf, plainBehind } from './gradient'
import { clampInt, plus } from './measures'
import { beside, cellsOfRow, heightOf, hidden, isData, isElement, layout, meaningful, rowsOf } from './source'
import type { Taking } from './taking'

/** A horizontal strip of the source: a row of columns or a single stretch, with what its wrappers gave it. */
export interface Strip {
  columns: Element[] | null
  /** Between columns, px. */ gap?: number
  content: ElementContent[]
  inherited: Inherited
  padding: Sides
  /** Behind it. */
  picture?: GroundPicture
  gradient?: GroundGradient
  /** Its ground where space of another stands around it, and the space within. */
  box?: Box
}

/** A ground inside another, or a frame around something, px. */
export interface Box {
  background?: string
  padding: Sides
  frame: Frame
}

/** The edges and corners of a box. */
type Frame = ReturnType<typeof frameOf>

const none = (p: Sides) => !(p.top || p.right || p.bottom || p.left)

/**
 * An element parted into horizontal strips, from top to bottom.
 * @param padding around it @param box the ground it stands in, where that has space of another around it
 */
export function stripsOf(
  taking: Taking,
  node: Element,
  inherited: Inherited,
  padding: Sides,
  box?: Box,
): Strip[] {
  const ground = ownGround(node)
  if (!box && isBox(node, ground, inherited, padding))
    return boxStrips(taking, node, inherited, padding, ground)
  // A third ground is a row of its own in the box.
  if (box && ground !== undefined && ground !== box.background && !none(padding))
    return [{ columns: null, content: [node], inherited, padding }]
  return parted(taking, node, inherited, padding, box)
}

/** Whether an element is a box in what it stands in: by a ground inside the space of another, or by its edges. */
const isBox = (node: Element, ground: string | undefined, inherited: Inherited, padding: Sides): boolean =>
  node.tagName !== 'a' &&
  node.tagName !== 'body' &&
  (isFramed(node) || (ground !== undefined && ground !== inherited.background && !none(padding)))

/** The strips of a box; what is within it keeps the ground of what it stands in behind. */
function boxStrips(
  taking: Taking,
  node: Element,
  inherited: Inherited,
  padding: Sides,
  ground: string | undefined,
): Strip[] {
  const frame = frameOf(node)
  const inside = { background: ground, padding: sides(0), frame }
  const strips = parted(taking, node, inherited, sides(0), inside)
  // What a frame holds stays in one piece where it can: all on one ground.
  const plain = strips.every(
    (s) => !s.columns && !s.picture && s.content[0] !== node && isOn(s, ground ?? inherited.background),
  )
  if (strips.length > 1 && plain && Object.keys(frame).length)
    return [{ columns: null, content: [node], inherited, padding }]
  return strips.map((s, i, all) => ({
    ...s,
    inherited: { ...s.inherited, background: inherited.background },
    // A cell within may have a ground of its own: words on it are not read on that of the box.
    box: {
      background: s.box?.background ?? (s.content[0] === node ? undefined : s.inherited.background) ?? ground,
      padding: plus(s.box?.padding ?? sides(0), s.padding),
      frame: s.content[0] === node ? {} : frameAt(frame, i, all),
    },
    padding: { ...padding, top: i ? 0 : padding.top, bottom: i < all.length - 1 ? 0 : padding.bottom },
  }))
}

/** Whether what is in a strip stands on a ground. */
export const isOn = ({ inherited }: Strip, ground: string | undefined): boolean =>
  inherited.background === undefined || inherited.background === ground

/** The frame of one of several beneath each other; corners are round where there is one alone. */
function frameAt({ edges, gradient, radius }: Frame, at: number, all: readonly unknown[]): Frame {
  const { top, bottom, ...beside } = edges ?? {}
  const whole = all.length === 1
  const own = {
    ...beside,
    ...(top && !at ? { top } : {}),
    ...(bottom && at === all.length - 1 ? { bottom } : {}),
  }
  return {
    ...(Object.keys(own).length ? { edges: own } : {}),
    ...(gradient && whole ? { gradient } : {}),
    ...(radius && whole ? { radius } : {}),
  }
}

/** The same, whatever ground the element has itself. */
export function parted(
  taking: Taking,
  node: Element,
  inherited: Inherited,
  padding: Sides,
  box: Box | undefined,
): Strip[] {
  const own = handDown(node, inherited)
  const whole: Strip = { columns: null, content: [node], inherited, padding }
  // A button is one thing, however many boxes it is drawn with; so is space of a settled height.
  if (!meaningful(node.children).length) return heightOf(node) >= 1 || edged(node) ? [whole] : []
  if (node.tagName !== 'body' && boxButton(taking, node, own, inherited)) return [whole]
  const picture = groundPictureOf(node)
  if (node.tagName !== 'body' && picture !== undefined)
    return [onPicture(taking, node, inherited, padding, whole)]
  const gradient = node.tagName !== 'body' && !box ? gradientOf(node) : null
  if (gradient) return [onGradient(taking, node, gradient, inherited, padding)]
  const inside = plus(padding, paddingOf(styleOfElement(node)))
  if (node.tagName === 'table') {
    if (isData(node)) return [whole]
    const rows = rowsOf(node).filter((r) => !hidden(r))
    return rows.flatMap((r, i) => rowStrips(taking, r, handDown(r, own), partOf(inside, i, rows), box))
  }
  const children = meaningful(node.children)
  const elements = children.filter(isElement)
  const only = elements.length > 0 && elements.length === children.length
  const flex = flexGap(node)
  const columns = only && (flex !== null || elements.every(beside)) ? columnsOf(elements, flex ?? 0) : null
  if (flex !== null && only && elements.length > 5) taking.notes.add(MANY)
  if (columns) return [{ ...columns, content: [], inherited: own, padding: inside }]
  if (only && elements.every((e) => layout.has(e.tagName)))
    return elements.flatMap((e, i) => stripsOf(taking, e, own, partOf(inside, i, elements), box))
  return [{ columns: null, content: node.children, inherited: own, padding: inside }]
}

const MANY = 'A row of more than five columns was stacked: a band holds five beside each other.'

/** The gap of a flex row, px (CSS Flexible Box 1, 5.1; CSS Box Alignment 3, 8); null where an element is none. */
function flexGap(e: Element): number | null {
  const s = styleOfElement(e)
  if (
    !/^(?:inline-)?flex$/.test(s.display ?? '') ||
    /column/.test(s['flex-direction'] ?? s['flex-flow'] ?? '')
  )
    return null
  return pxOf(s['column-gap'] ?? s.gap?.split(/\s+/).at(-1)) ?? 0
}

/** The space of one of several beneath each other: above the first, under the last. */
const partOf = (p: Sides, at: number, all: readonly unknown[]): Sides => ({
  ...p,
  top: at ? 0 : p.top,
  bottom: at < all.length - 1 ? 0 : p.bottom,
})

/** Elements beside each other as columns; an empty one between them is their gap. */
function columnsOf(elements: readonly Element[], gap = 0): Required<Pick<Strip, 'columns' | 'gap'>> | null {
  const filled = elements.filter((e) => meaningful(e.children).length || ownGround(e))
  if (filled.length < 2 || filled.length > 5) return null
  const between = elements.find((e) => !filled.includes(e))
  return { columns: filled, gap: clampInt((between && pxOf(styleOfElement(between).width)) ?? gap, 0, 200) }
}

/** What has a picture behind it is one strip; one whose picture is not at hand stays as it is. */
function onPicture(taking: Taking, node: Element, inherited: Inherited, padding: Sides, whole: Strip): Strip {
  const kept = taking.pictures[groundPictureOf(node)!]
  if (!kept) return whole
  const strip = asOne(taking, node, inherited, padding)
  return { ...strip, picture: { picture: kept, across: acrossOf(inherited), ...groundPlace(node) } }
}

/** What has a gradient behind it is one strip. */
function onGradient(
  taking: Taking,
  node: Element,
  gradient: Gradient,
  inherited: Inherited,
  padding: Sides,
): Strip {
  const background = plainBehind(node, gradient, inherited.background)
  const strip = asOne(taking, node, { ...inherited, background }, padding)
  return { ...strip, gradient: { ...gradient, across: acrossOf(inherited) } }
}

const acrossOf = ({ bounded }: Inherited): 'email' | 'window' => (bounded ? 'email' : 'window')

/** What stands in an element as one strip, without what the element draws behind it. */
function asOne(taking: Taking, node: Element, inherited: Inherited, padding: Sides): Strip {
  const style = styleText(
    readStyle(String(node.properties.style ?? '')).filter(
      (d) => !/^background(-(image|position|repeat|size))?$/.test(d.property),
    ),
  )
  const { background: _, ...properties } = node.properties
  const bare: Element = { ...node, properties: { ...properties, style } }
  const inside = stripsOf(taking, bare, inherited, padding)
  const own = handDown(bare, inherited)
  return inside.length === 1 ? inside[0]! : { columns: null, content: bare.children, inherited: own, padding }
}

/** Whether an element or one in it draws a line. */
const edged = (e: Element): boolean =>
  [...elementsOf(e)].some((x) =>
    /\d/.test(styleOfElement(x)['border-top'] ?? styleOfElement(x)['border-bottom'] ?? ''),
  )

/** The width that an empty cell keeps, px. */
const keptWidth = (e: Element | undefined): number =>
  e && !meaningful(e.children).length ? (pxOf(styleOfElement(e).width) ?? pxOf(e.properties.width) ?? 0) : 0

function rowStrips(
  taking: Taking,
  tr: Element,
  inherited: Inherited,
  around: Sides,
  box: Box | undefined,
): Strip[] {
  const all = cellsOfRow(tr)
  // Empty cells at the sides are space there.
  const padding =
    all.length > 1
      ? plus(around, { ...sides(0), left: keptWidth(all[0]), right: keptWidth(all.at(-1)) })
      : around
  // An empty cell between others is the gap between them.
  const cells = all.length > 1 ? all.filter((c) => meaningful(c.children).length || ownGround(c)) : all
  if (cells.length === 1) return stripsOf(taking, cells[0]!, inherited, padding, box)
  if (!cells.length) return []
  if (cells.length > 5) {
    const table: Element = {
      type: 'element',
      tagName: 'table',
      properties: { role: 'presentation', width: '100%' },
      children: [tr],
    }
    taking.opaque.add(table)
    return [{ columns: null, content: [table], inherited, padding }]
  }
  const between = all
    .slice(all.indexOf(cells[0]!), all.indexOf(cells.at(-1)!))
    .filter((c) => !cells.includes(c))
  const gap = between.length
    ? (pxOf(styleOfElement(between[0]!).width) ?? pxOf(between[0]!.properties.width) ?? 0)
    : 0
  return [{ columns: cells, gap: clampInt(gap, 0, 200), content: [], inherited, padding }]
}
