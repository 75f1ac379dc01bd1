import type * as csstree from 'css-tree'
import parse from 'css-tree/parser'
import walk from 'css-tree/walker'

/** A file of a font that a page brings along. */
export interface PageFace {
  family: string
  /** Where readers load it, https alone. */
  address: string
  weight: number
  italic: boolean
}

/** Formats that readers load, the lightest first. */
const formats = [/\.woff2(?:$|[?#])/i, /\.woff(?:$|[?#])/i, /\.(?:ttf|otf)(?:$|[?#])/i]

/** Weights by name (CSS Fonts Module Level 4, section 2.4.1). */
const named: Record<string, number> = { normal: 400, bold: 700 }

/**
 * The fonts that a style sheet brings along (CSS Fonts Module Level 4, section 4): of each weight and slant one file, that of Latin
 * letters where they are parted.
 * @param base address of the sheet, for files named relatively
 */
export function fontFaces(css: string, base?: string): PageFace[] {
  const out = new Map<string, PageFace>()
  const tree = parse(css, { parseAtrulePrelude: false, onParseError: () => {} })
  walk(tree, (node) => {
    if (node.type !== 'Atrule' || node.name.toLowerCase() !== 'font-face' || !node.block) return
    const said = descriptorsOf(node.block)
    const family = said.family
    const address = addressOf(said.sources, base)
    if (!family || !address || !said.latin) return
    for (const weight of said.weights) {
      const key = `${family} ${weight} ${said.italic}`
      if (!out.has(key)) out.set(key, { family, address, weight, italic: said.italic })
    }
  })
  return [...out.values()]
}

/** What a `@font-face` says. */
interface Descriptors {
  family: string
  sources: string[]
  weights: number[]
  italic: boolean
  /** Whether it holds the letter a. */
  latin: boolean
}

function descriptorsOf(block: csstree.Block): Descriptors {
  const said: Descriptors = { family: '', sources: [], weights: [400], italic: false, latin: true }
  block.children.forEach((d) => {
    if (d.type !== 'Declaration') return
    const name = d.property.toLowerCase()
    if (name === 'src') walk(d.value, (v) => void (v.type === 'Url' && said.sources.push(v.value)))
    if (d.value.type !== 'Value') return
    const values = d.value.children.toArray()
    const words = values.flatMap((v) =>
      v.type === 'Identifier' ? v.name : v.type === 'String' ? v.value : [],
    )
    if (name === 'font-family') said.family = words.join(' ').slice(0, 60)
    if (name === 'font-style') said.italic = words.some((w) => /^(italic|oblique)$/i.test(w))
    if (name === 'font-weight')
      said.weights = weightsOf(
        values.flatMap((v) =>
          v.type === 'Number'
            ? Number(v.value)
            : v.type === 'Identifier'
              ? (named[v.name.toLowerCase()] ?? [])
              : [],
        ),
      )
    if (name === 'unicode-range')
      said.latin = values.some((v) => v.type === 'UnicodeRange' && holds(v.value, 0x61))
  })
  return said
}

/** The weights taken of a face: its own; of one that has many, regular and bold where it has them. */
function weightsOf(values: number[]): number[] {
  const [from, to] = values
  if (from === undefined) return [400]
  const rounded = (v: number) => Math.max(100, Math.min(900, Math.round(v / 100) * 100))
  if (to === undefined || to <= from) return [rounded(from)]
  const usual = [400, 700].filter((w) => w >= from && w <= to)
  return usual.length ? usual : [rounded(from)]
}

/** Whether a range of characters holds one (CSS Syntax Module Level 3, section 7.1). */
function holds(range: string, character: number): boolean {
  const [first = '', last] = range.replace(/^u\+/i, '').split('-')
  const from = parseInt(first.replaceAll('?', '0'), 16)
  const to = parseInt(last ?? first.replaceAll('?', 'f'), 16)
  return from <= character && character <= to
}

/** Where the lightest file stands; null where none can be loaded by https. */
function addressOf(sources: readonly string[], base?: string): string | null {
  for (const format of formats)
    for (const source of sources) {
      if (!format.test(source) || !URL.canParse(source, base)) continue
      const { href, protocol } = new URL(source, base)
      if (protocol === 'https:' && href.length <= 1000) return href
    }
  return null
}
