import { pxOf, styleOfElement } from '../html/values'
import type { Element, ElementContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { inlineDocument } from '../html/inline-document'
import { elementsOf } from '../html/elements'
import { readSheet } from '../html/stylesheet'
import { newId, type NewId } from '../email/defaults'
import type { Band, Cell, Email } from '../email/schema'
import type { Tile } from '../email/tile'
import { tilesOf } from '../email/walk'
import { sides, type Sides } from '../email/styles'
import { eachInline } from '../email/richtext'
import type { PictureRef } from '../picture/ref'
import { cellOf, cellsOf } from './content'
import { handDown, ownGround, type Inherited } from './css'
import { clamp, clampInt } from './measures'
import { leftOut } from './left-out'
import { directionOf, modernised } from './legacy'
import { hidden, layout, meaningful, textOf, visible } from './source'
import { stripsOf, type Box, type Strip } from './strips'
import { Taking } from './taking'

/** What could be made of an email's HTML. */
export interface ImportedBands extends Pick<
  Email,
  'bands' | 'width' | 'lang' | 'dir' | 'title' | 'preheader' | 'styles'
> {
  /** What the person should know, a sentence each. */ notes: string[]
}

/** @param ground of the whole email, which bands need not say again */
function bandOf(
  taking: Taking,
  strip: Strip,
  index: number,
  width: number,
  ground: string | undefined,
): Band {
  const { columns, inherited } = strip
  const padding = clamp(strip.padding)
  const inside = strip.box?.padding
  const within = strip.box?.background ? { ...inherited, background: strip.box.background } : inherited
  const room = Math.max(40, width - padding.left - padding.right - (inside ? inside.left + inside.right : 0))
  const cells = strip.box
    ? [boxCell(taking, strip, strip.box, within, room)]
    : columns
      ? cellsOf(taking, columns, inherited, room)
      : [cellOf(taking, strip.content, inherited, room, sides(0))]
  const said = [...tilesOf({ cells })]
    .flatMap((i) =>
      i.kind === 'words'
        ? [firstWords(i)]
        : i.kind === 'picture'
          ? [i.alt ?? '']
          : i.kind === 'button'
            ? [i.label]
            : [],
    )
    .find((s) => s.trim())
  return {
    id: taking.id(),
    name: (said ?? `Band ${index + 1}`).trim().split(/\s+/).slice(0, 3).join(' ').slice(0, 40),
    role: 'main',
    ...(inherited.background && inherited.background !== ground ? { background: inherited.background } : {}),
    ...(strip.gradient ? { gradient: strip.gradient } : {}),
    ...(strip.picture ? { picture: strip.picture } : {}),
    padding,
    gap: strip.gap ?? 0,
    narrow: 'stack',
    show: 'all',
    cells,
  }
}

/** A ground inside another as a cell; columns in it are a row there. @param room inside its space, px */
function boxCell(taking: Taking, strip: Strip, box: Box, inside: Inherited, room: number): Cell {
  const cell = cellOf(taking, strip.content, inside, room, clamp(box.padding))
  const row = strip.columns && {
    id: taking.id(),
    kind: 'row' as const,
    gap: strip.gap ?? 0,
    narrow: 'stack' as const,
    cells: cellsOf(taking, strip.columns, inside, room),
  }
  const { background, frame } = box
  return { ...cell, ...(background ? { background } : {}), ...frame, ...(row ? { items: [row] } : {}) }
}

function firstWords(tile: Extract<Tile, { kind: 'words' }>): string {
  let out = ''
  eachInline(tile.text, (r) => {
    if (r.type === 'text') out += `${r.text} `
  })
  return out
}

/**
 * An email's HTML as bands: tables that part it in strips and columns become bands and cells, plain content
 * becomes tiles, and what is not understood becomes code tiles with its own markup, so that nothing that is
 * seen is lost.
 * @param pictures addresses in the HTML that stand for pictures kept here
 */
export function bandsFromHtml(
  html: string,
  pictures: Readonly<Record<string, PictureRef>> = {},
  id: NewId = newId,
): ImportedBands {
  const read = fromHtml(inlineDocument(html))
  const direction = directionOf(read)
  const tree = modernised(read)
  const all = [...elementsOf(tree)]
  // A page of frames has no body of its own.
  const body = all.find((e) => e.tagName === 'body') ?? {
    type: 'element',
    tagName: 'body',
    properties: {},
    children: [],
  }
  const root = all.find((e) => e.tagName === 'html')!
  const sheets = all
    .filter((e) => e.tagName === 'style')
    .map(sheetText)
    .join('\n')
  const dynamic = readSheet(sheets).dynamics
  const css = dynamic
    .map((r) => {
      const rule = `${r.selector}{${r.declarations.map((d) => `${d.property}:${d.value}`).join(';')}}`
      return r.media ? `@media ${r.media}{${rule}}` : rule
    })
    .join('\n')
  const taking = new Taking(css, pictures, id)
  for (const map of all.filter((e) => e.tagName === 'map'))
    taking.maps.set(String(map.properties.name ?? ''), map)
  const ground = windowGround(body)
  const width = clampInt(widthOf(all) ?? 600, 320, 900)
  const strips = stripsOf(taking, body, { ...asBrowsers, background: ground }, bodySpace(body)).filter(
    (s) => s.columns || meaningful(s.content).length || spaceOf(s),
  )
  const bands = strips.slice(0, 400).map((s, i) => bandOf(taking, s, i, width, ground))
  const lang = String(root.properties.lang ?? '')
  const notes = [
    ...taking.notes,
    ...(taking.codes
      ? [
          `${taking.codes === 1 ? 'One part was' : `${taking.codes} parts were`} not understood as bands and tiles and became code.`,
        ]
      : []),
    ...leftOut(body, bands, pictures),
  ]
  return {
    bands,
    // Where nothing is said, browsers show white.
    styles: { ground: ground ?? '#ffffff' },
    width,
    lang: /^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/.test(lang) ? lang : 'en',
    dir: direction,
    title: (all.filter((e) => e.tagName === 'title').map(textOf)[0] ?? '').trim().slice(0, 200),
    preheader: preheaderOf(body),
    notes,
  }
}

/** What letters are where nothing is said (WHATWG HTML, 15.3.1; the font that most browsers have as theirs). */
const asBrowsers: Inherited = { size: 16, font: 'times', color: '#000000' }

/** Space around everything: 8 px unless told (WHATWG HTML, 15.3.2). */
function bodySpace(body: Element): Sides {
  const { margin } = styleOfElement(body)
  return sides(margin === undefined ? 8 : (pxOf(margin.split(/\s+/)[0]) ?? 0))
}

/** The ground behind everything: the body's, or that of what alone stands in it across the window. */
function windowGround(body: Element): string | undefined {
  let at: Element | undefined = body
  let ground: string | undefined
  while (at) {
    ground = ownGround(at) ?? ground
    const inside: ElementContent[] = meaningful(at.children)
    const only: ElementContent | undefined = inside.length === 1 ? inside[0] : undefined
    at =
      only?.type === 'element' && layout.has(only.tagName) && !handDown(only, {}).bounded ? only : undefined
  }
  return ground
}

const spaceOf = (s: Strip) => s.padding.top + s.padding.bottom > 0
const sheetText = (e: Element) => e.children.map((c) => (c.type === 'text' ? c.value : '')).join('')

/** The width that most tables of a settled width have. */
function widthOf(all: Element[]): number | undefined {
  const count = new Map<number, number>()
  for (const e of all) {
    const s = styleOfElement(e)
    const w =
      pxOf(s['max-width']) ??
      (e.tagName === 'table' ? (pxOf(e.properties.width) ?? pxOf(s.width)) : undefined)
    if (w && w >= 480 && w <= 900) count.set(w, (count.get(w) ?? 0) + 1)
  }
  return [...count].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0]
}

/** The first hidden words of the body, as long as nothing is seen before them. */
function preheaderOf(body: Element): string {
  let first: Element | undefined
  for (const e of elementsOf(body)) {
    if (hidden(e)) {
      first = e
      break
    }
    if (e.tagName === 'img' || e.children.some((c) => c.type === 'text' && visible(c.value))) break
  }
  return first
    ? textOf({ ...first, properties: {} })
        .replace(/\u034f|[\u00a0\u200b\u200c\ufeff]|\u200d/g, ' ')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, 500)
    : ''
}
