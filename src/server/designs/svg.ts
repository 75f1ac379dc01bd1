import { styleOfElement } from '@/core/html/values'
import type { Element, ElementContent, Root } from 'hast'
import { createCanvas } from '@napi-rs/canvas'
import { fromHtml } from 'hast-util-from-html'
import sharp from 'sharp'
import { elementsOf } from '@/core/html/elements'
import { inlineRules, readSheet } from '@/core/html/stylesheet'
import { readHex } from '@/core/color/hex'
import { lendCanvasFonts } from '../fonts/canvas'
import { decode } from '../import/decode'
import type { DesignLayers } from '@/core/cut/layers'
import { blocksOf, joinPieces, type TextLine } from '@/core/cut/reflow'
import { MOST_PIXELS, refuseDesign, type ReadBoard } from './board'

/** What may stand before the root of an XML document (XML 1.0, section 2.8), with how it ends. */
const prologs = [
  ['<?', '?>'],
  ['<!--', '-->'],
] as const

/** Whether a file's beginning is that of an SVG. Reads each character once, whatever is written. */
export function isSvg(head: string): boolean {
  let at = 0
  for (;;) {
    while (/[\s\ufeff]/.test(head[at] ?? '')) at++
    const prolog = prologs.find(([begin]) => head.startsWith(begin, at))
    if (prolog) {
      const end = head.indexOf(prolog[1], at + prolog[0].length)
      if (end < 0) return false
      at = end + prolog[1].length
    } else if (head.slice(at, at + 9).toUpperCase() === '<!DOCTYPE') {
      at = endOfDoctype(head, at)
      if (at < 0) return false
    } else return /^<svg[\s>]/i.test(head.slice(at, at + 5))
  }
}

/** Behind a document type declaration, its internal subset in brackets passed over; -1 where it does not end. */
function endOfDoctype(text: string, from: number): number {
  const end = text.indexOf('>', from)
  const subset = text.indexOf('[', from)
  if (end < 0 || subset < 0 || subset > end) return end < 0 ? -1 : end + 1
  const closed = text.indexOf(']', subset)
  const after = closed < 0 ? -1 : text.indexOf('>', closed)
  return after < 0 ? -1 : after + 1
}

/** Least width a drawing is rasterised at, px: double the usual email. */
const WIDE = 1200

/**
 * Reads an SVG: drawn at double size, with its words and pictures as layers. Scripts are never run and
 * nothing is fetched: the drawing library does neither, and what was left out is said. Throws a Problem for
 * what is none, or would be too large.
 */
export async function readSvg(bytes: Buffer, name: string): Promise<ReadBoard> {
  // What its bytes say prevails over what its declaration says of them.
  const source = decode(bytes).replace(/^\s*<\?xml[^<>]*\?>/, '')
  if (/<!ENTITY/i.test(source))
    throw refuseDesign(
      `"${name}" defines entities of its own, which can swell to any size. Export the drawing again as plain SVG, or as PNG.`,
    )
  const tree = fromHtml(source, { fragment: true })
  const svg = [...elementsOf(tree)].find((e) => e.tagName === 'svg')
  if (!svg) throw refuseDesign(`"${name}" holds no drawing. Export it again as SVG, or as PNG.`)
  const box = viewBoxOf(svg)
  if (!box)
    throw refuseDesign(
      `"${name}" says neither its width and height nor a viewBox, so its size is unknown. Set them, or export PNG.`,
    )
  const drawn = drawnElements(svg)
  if (drawn > MOST_DRAWN)
    throw refuseDesign(
      `"${name}" repeats its parts in each other until more than ${MOST_DRAWN.toLocaleString('en')} things are drawn. Flatten its symbols, or export PNG.`,
    )
  const notes = unsafeIn(tree)
  const scale = Math.max(1, Math.min(4, WIDE / box.w))
  const width = Math.round(box.w * scale),
    height = Math.round(box.h * scale)
  if (!(width * height <= MOST_PIXELS) || height > 40_000)
    throw refuseDesign(
      `"${name}" is ${Math.round(box.w)} x ${Math.round(box.h)}, which drawn at ${scale.toFixed(1)}x has more than 60 megapixels. Make it smaller.`,
    )
  let png: Buffer
  try {
    png = await sharp(Buffer.from(safeSource(source)), {
      limitInputPixels: MOST_PIXELS,
      density: Math.min(2400, 72 * scale),
      unlimited: false,
    })
      .resize(width, height, { fit: 'fill' })
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .png({ compressionLevel: 6 })
      .toBuffer()
  } catch {
    throw refuseDesign(
      `"${name}" starts as an SVG but is not well formed. Open it in a browser to see where it breaks, and export it again.`,
    )
  }
  return { png, width, height, layers: layersOf(tree, svg, box, scale), notes }
}

/** More elements than this are not drawn, however few the file writes: what it repeats is counted each time. */
const MOST_DRAWN = 200_000

/** Properties by which an element draws another one (SVG 2: 13.3, 14.2, 14.3; filters and masks likewise). */
const REFERS = [
  'fill',
  'stroke',
  'filter',
  'mask',
  'clipPath',
  'markerStart',
  'markerMid',
  'markerEnd',
  'style',
] as const

/**
 * How many elements a drawing comes to once its references are followed (`<use>`, patterns, masks, clips, markers, filters): a few lines
 * that repeat each other ten times on twelve levels are a million million. Infinite where something repeats itself.
 */
export function drawnElements(svg: Element): number {
  const byId = new Map<string, Element>()
  for (const e of elementsOf(svg)) if (e.properties.id) byId.set(String(e.properties.id), e)
  const known = new Map<Element, number>()
  const under = new Set<Element>()
  const countOf = (e: Element): number => {
    const before = known.get(e)
    if (before !== undefined) return before
    // What repeats itself is left out by those who draw (SVG 2, 5.6), after they have tried.
    if (under.has(e)) return Infinity
    under.add(e)
    let sum = 1
    for (const id of referredBy(e)) {
      const other = byId.get(id)
      if (other) sum += countOf(other)
      if (sum > MOST_DRAWN) break
    }
    for (const c of e.children) {
      if (c.type === 'element') sum += countOf(c)
      if (sum > MOST_DRAWN) break
    }
    under.delete(e)
    known.set(e, sum)
    return sum
  }
  return countOf(svg)
}

/** The ids that an element refers to. */
function referredBy({ tagName, properties }: Element): string[] {
  const href = String(properties.href ?? properties.xLinkHref ?? properties['xlink:href'] ?? '')
  const out = tagName !== 'a' && href.startsWith('#') ? [href.slice(1)] : []
  for (const name of REFERS)
    for (const [, id] of String(properties[name] ?? '').matchAll(/url\(\s*['"]?#([^'")]+)/g))
      out.push(id!.trim())
  return out
}

function viewBoxOf(svg: Element): { x: number; y: number; w: number; h: number } | null {
  const number = (v: unknown) => {
    const n = parseFloat(String(v ?? ''))
    return Number.isFinite(n) && n > 0 && !String(v).includes('%') ? n : null
  }
  const [x, y, w, h] = String(svg.properties.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const view = w && h && w > 0 && h > 0 ? { x: x ?? 0, y: y ?? 0, w, h } : null
  const width = number(svg.properties.width),
    height = number(svg.properties.height)
  return view ?? (width && height ? { x: 0, y: 0, w: width, h: height } : null)
}

/** What is left out for safety, a sentence each. */
function unsafeIn(tree: Root): string[] {
  let scripts = 0
  const links = new Set<string>()
  for (const e of elementsOf(tree)) {
    if (
      e.tagName === 'script' ||
      e.tagName === 'foreignObject' ||
      Object.keys(e.properties).some((k) => /^on[A-Z]/.test(k))
    )
      scripts++
    const href = String(e.properties.href ?? e.properties.xLinkHref ?? e.properties['xlink:href'] ?? '')
    if (e.tagName !== 'a' && /^(https?:)?\/\//i.test(href)) links.add(href)
    if (e.tagName === 'style' || e.properties.style)
      for (const m of `${text(e)} ${String(e.properties.style ?? '')}`.matchAll(
        /url\(\s*['"]?((?:https?:)?\/\/[^'")]+)/gi,
      ))
        links.add(m[1]!)
  }
  return [
    ...(scripts
      ? [
          `The SVG holds ${scripts === 1 ? 'a script or foreign content' : `${scripts} scripts or pieces of foreign content`}; it was left out, and nothing was run.`,
        ]
      : []),
    ...(links.size
      ? [
          `The SVG refers to ${[...links].slice(0, 2).join(' and ')}${links.size > 2 ? ` and ${links.size - 2} more` : ''}; nothing was fetched. Embed what it needs.`,
        ]
      : []),
  ]
}

/** The source without what could run or reach out. */
const safeSource = (source: string): string =>
  withoutElements(withoutElements(source, 'script'), 'foreignObject')
    .replace(/\son\w{1,40}\s*=\s*(?:"[^"]*"|'[^']*')/gi, '')
    .replace(/(href\s*=\s*["'])(?:(?:https?:|file:|ftp:)?\/\/|file:)[^"'<]*/gi, '$1')
    .replace(/url\(\s*['"]?(?:(?:https?:|file:)?\/\/|file:)[^()]*\)?/gi, 'none')

/** A source without elements of a name and all that stands in them; one that does not end takes the rest with it. */
function withoutElements(source: string, name: string): string {
  const lower = source.toLowerCase()
  const [begin, end] = [`<${name.toLowerCase()}`, `</${name.toLowerCase()}`]
  let out = ''
  let at = 0
  for (let from = lower.indexOf(begin); from >= 0; from = lower.indexOf(begin, at)) {
    out += source.slice(at, from)
    const close = lower.indexOf(end, from)
    const after = close < 0 ? -1 : source.indexOf('>', close)
    if (after < 0) return out
    at = after + 1
  }
  return out + source.slice(at)
}

type Matrix = readonly [number, number, number, number, number, number]
const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0]
const times = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
]

/** A `transform` attribute (CSS Transforms Level 1, 8): translate, scale, rotate, matrix. */
function transformOf(value: unknown): Matrix {
  let m = IDENTITY
  for (const [, kind, list] of String(value ?? '').matchAll(/([a-z]{1,12})\s{0,9}\(([^()]*)\)/gi)) {
    const n = list!
      .trim()
      .split(/[\s,]+/)
      .map(Number)
    const [a = 0, b, c = 0] = n
    if (kind === 'translate') m = times(m, [1, 0, 0, 1, a, b ?? 0])
    else if (kind === 'scale') m = times(m, [a, 0, 0, b ?? a, 0, 0])
    else if (kind === 'matrix' && n.length === 6) m = times(m, n as unknown as Matrix)
    else if (kind === 'rotate') {
      const r = (a * Math.PI) / 180
      m = times(
        times(times(m, [1, 0, 0, 1, b ?? 0, c]), [Math.cos(r), Math.sin(r), -Math.sin(r), Math.cos(r), 0, 0]),
        [1, 0, 0, 1, -(b ?? 0), -c],
      )
    }
  }
  return m
}

interface Style {
  font: string
  size: number
  bold: boolean
  italic: boolean
  color: string
  anchor: string
  space: number
  hidden: boolean
}

lendCanvasFonts()
const measuring = createCanvas(4, 4).getContext('2d')

/** Elements that draw nothing where they stand. */
const undrawn = new Set([
  'defs',
  'clipPath',
  'mask',
  'symbol',
  'pattern',
  'script',
  'style',
  'title',
  'desc',
  'foreignObject',
])

/** More lines of words than this in one drawing are not read. */
const MOST_LINES = 4000

/** What a drawing begins with (initial values of SVG 2). */
const initialStyle: Style = {
  font: 'sans-serif',
  size: 16,
  bold: false,
  italic: false,
  color: '#000000',
  anchor: 'start',
  space: 0,
  hidden: false,
}

/** Words and pictures of a drawing, in px of the raster. */
function layersOf(tree: Root, svg: Element, box: { x: number; y: number }, scale: number): DesignLayers {
  const sheets = [...elementsOf(svg)].filter((e) => e.tagName === 'style').map(text)
  inlineRules(tree, readSheet(sheets.join('\n')).statics)
  const pieces: TextLine[] = []
  const shapes: DesignLayers['shapes'] = []
  const walk = (e: Element, m: Matrix, s: Style) => {
    if (undrawn.has(e.tagName) || pieces.length > MOST_LINES) return
    const here = times(m, transformOf(e.properties.transform)),
      style = styled(e, s)
    if (style.hidden) return
    const straight = Math.abs(here[1]) < 0.001 && Math.abs(here[2]) < 0.001 && here[0] > 0
    if (e.tagName === 'text') {
      if (straight) pieces.push(...linesOf(e, here, style))
      return
    }
    const picture = e.tagName === 'image' && straight && pictureAt(e, here)
    if (picture) shapes.push(picture)
    for (const c of e.children) if (c.type === 'element') walk(c, here, style)
  }
  const origin: Matrix = times([scale, 0, 0, scale, 0, 0], [1, 0, 0, 1, -box.x, -box.y])
  for (const c of svg.children) if (c.type === 'element') walk(c, origin, styled(svg, initialStyle))
  return { texts: blocksOf(joinPieces(pieces)).slice(0, 2000), shapes: shapes.slice(0, 2000) }
}

/** Where a picture of a drawing lies, px of the raster; null where it has no size. */
function pictureAt(e: Element, m: Matrix): DesignLayers['shapes'][number] | null {
  const [x, y, w, h] = ['x', 'y', 'width', 'height'].map(
    (k) => parseFloat(String(e.properties[k] ?? 0)) || 0,
  ) as [number, number, number, number]
  if (!w || !h) return null
  return {
    x: m[0] * x + m[4],
    y: m[3] * y + m[5],
    w: w * m[0],
    h: h * m[3],
    name: String(e.properties.id ?? 'picture').slice(0, 200),
    kind: 'picture',
  }
}

/** Presentation attributes, over which style prevails (SVG 2, 6.4). */
function styled(e: Element, s: Style): Style {
  const own = styleOfElement(e)
  const get = (css: string, attribute: string) =>
    own[css] ?? (e.properties[attribute] === undefined ? undefined : String(e.properties[attribute]))
  const weight = get('font-weight', 'fontWeight'),
    size = get('font-size', 'fontSize'),
    fill = get('fill', 'fill')
  return {
    font: get('font-family', 'fontFamily') ?? s.font,
    size: size && parseFloat(size) ? parseFloat(size) : s.size,
    bold: weight ? weight === 'bold' || Number(weight) >= 600 : s.bold,
    italic: (get('font-style', 'fontStyle') ?? (s.italic ? 'italic' : '')) === 'italic',
    color: (fill && readHex(fill.startsWith('#') ? fill : (named[fill] ?? ''))) || s.color,
    anchor: get('text-anchor', 'textAnchor') ?? s.anchor,
    space: parseFloat(get('letter-spacing', 'letterSpacing') ?? '') || s.space,
    hidden:
      s.hidden ||
      get('display', 'display') === 'none' ||
      get('visibility', 'visibility') === 'hidden' ||
      parseFloat(get('opacity', 'opacity') ?? '1') === 0,
  }
}
const named: Record<string, string> = {
  white: '#ffffff',
  black: '#000000',
  gray: '#808080',
  grey: '#808080',
  red: '#ff0000',
  navy: '#000080',
}

/** A text element's lines: a tspan with a place of its own begins one (SVG 2, 11.2). */
function linesOf(e: Element, m: Matrix, style: Style): TextLine[] {
  const lines: { text: string; x: number; y: number; style: Style }[] = []
  const at = (v: unknown) => {
    const n = parseFloat(String(Array.isArray(v) ? v[0] : (v ?? '')).split(/[\s,]/)[0]!)
    return Number.isFinite(n) ? n : null
  }
  const length = (v: unknown, size: number) => {
    const n = at(v) ?? 0
    return /em\s*$/.test(String(v ?? '')) ? n * size : n
  }
  const read = (node: ElementContent, s: Style) => {
    if (node.type === 'text') {
      const t = node.value.replace(/[ \t\r\n]+/g, ' ')
      if (t.trim() || (t && lines.at(-1)?.text)) {
        const l = lines.at(-1)!
        l.text += t
        if (!l.text.trim()) l.style = s
      }
      return
    }
    if (node.type !== 'element') return
    const inner = styled(node, s),
      last = lines.at(-1)!
    const x = at(node.properties.x),
      y = at(node.properties.y),
      dy = length(node.properties.dy, inner.size)
    if (x !== null || y !== null || Math.abs(dy) > 0.4 * inner.size)
      lines.push({ text: '', x: x ?? last.x, y: (y ?? last.y) + dy, style: inner })
    node.children.forEach((c) => read(c, inner))
  }
  lines.push({
    text: '',
    x: at(e.properties.x) ?? 0,
    y: (at(e.properties.y) ?? 0) + length(e.properties.dy, style.size),
    style,
  })
  e.children.forEach((c) => read(c, style))
  return lines
    .filter((l) => l.text.trim())
    .map(({ text: t, x, y, style: s }) => {
      const said = t.trim()
      measuring.font = `${s.italic ? 'italic ' : ''}${s.bold ? 'bold ' : ''}${s.size}px ${s.font}`
      const w = measuring.measureText(said).width + s.space * said.length
      const left = s.anchor === 'middle' ? x - w / 2 : s.anchor === 'end' ? x - w : x
      return {
        text: said,
        x: m[0] * left + m[4],
        base: m[3] * y + m[5],
        w: w * m[0],
        size: s.size * m[3],
        font: s.font.split(',')[0]!.replace(/['"]/g, '').trim(),
        bold: s.bold,
        italic: s.italic,
        color: s.color,
      }
    })
}

const text = (e: Element): string => e.children.map((c) => (c.type === 'text' ? c.value : '')).join('')
