import { majorReaders, supportOf, type Mark, type SupportData } from './support'

/** What a reader makes of what interactive tiles need. */
export interface ReaderSupport {
  name: string
  amp: Mark
  checked: Mark
  inputs: Mark
  hover: Mark
  form: Mark
}

/** The three versions of an interactive tile. */
export type Version = 'amp' | 'live' | 'still'

/** What the major readers make of what interactive tiles need, by the open data. */
export const interactiveSupport = (data: SupportData): ReaderSupport[] =>
  majorReaders.map((r) => {
    const of = (slug: string) => supportOf(data, slug, r)
    return {
      name: r.name,
      amp: of('amp'),
      checked: of('css-pseudo-class-checked'),
      inputs: of('html-input-checkbox'),
      hover: of('css-pseudo-class-hover'),
      form: of('html-form'),
    }
  })

/** Which version a reader shows. @param o whether an AMP part leaves, and whether the tile has a version by CSS alone, and sends a form */
export function versionIn(r: ReaderSupport, o: { amp: boolean; live: boolean; form: boolean }): Version {
  if (o.amp && r.amp !== 'n' && r.amp !== 'u') return 'amp'
  const boxes = r.checked === 'y' && r.inputs !== 'n'
  return o.live && boxes && (!o.form || r.form !== 'n') ? 'live' : 'still'
}

/** What part of a client's people reads in a reader, 0 to 1. */
export interface Share {
  reader: string
  share: number
}

/** A line's name and part: parted by its last semicolon or tab, else by its last comma, since names hold commas. */
function cellsOf(line: string): [name: string, part: string] {
  const other = Math.max(line.lastIndexOf(';'), line.lastIndexOf('\t'))
  const at = other >= 0 ? other : line.lastIndexOf(',')
  const bare = (s: string) => s.trim().replace(/^"|"$/g, '')
  return at < 0 ? ['', ''] : [bare(line.slice(0, at)), bare(line.slice(at + 1))]
}

/**
 * Shares from a CSV of two columns, name and part (`31`, `31 %` or `0.31`). A name counts for each reader that it is the beginning of, in even parts; what
 * fits none is left over. @returns shares, and the names that fit none
 */
export function sharesOf(csv: string): { shares: Share[]; unknown: string[] } {
  const lines = csv
    .split(/\r?\n/)
    .map(cellsOf)
    .filter(([, part]) => /\d/.test(part))
  const unknown: string[] = []
  const found = lines.flatMap(([name, part]) => {
    const number = Number.parseFloat(part.replace(',', '.'))
    const share = part.includes('%') || number > 1 ? number / 100 : number
    const wanted = name.toLowerCase()
    const fits = majorReaders.filter((r) => {
      const known = r.name.toLowerCase()
      return known === wanted || known.startsWith(`${wanted},`) || known.startsWith(`${wanted} `)
    })
    if (!fits.length) unknown.push(name)
    return fits.map((r) => ({ reader: r.name, share: share / fits.length }))
  })
  return { shares: found.filter((s) => s.share > 0), unknown }
}
