import { pageStyle, type PageStyle } from '@/core/house/page'
import { decode } from '../import/import'
import { unzip } from '../import/unzip'
import { guardedFetch, type FetchLimits } from '../net/guarded-fetch'
import { Problem } from '../problem'

const refuse = (title: string, why: string) => new Problem(422, 'not-a-page', title, why)
const MOST_PAGE = 6 * 1024 * 1024
const MOST_SHEETS = 12

/** The looks of pasted HTML and CSS. */
export function pageOf(html: string, css = ''): PageStyle {
  if (!/<[a-z!]/i.test(html) && !css.trim())
    throw refuse('There is no HTML in it', 'Paste the source of a page, with its tags, or its style sheet.')
  return pageStyle(/<[a-z!]/i.test(html) ? html : '<body></body>', css ? [css] : [])
}

/** The looks of a saved page: an HTML file, or a ZIP of one with its style sheets. */
export async function pageFromFile(bytes: Buffer, name: string): Promise<PageStyle> {
  if (!bytes.length) throw refuse('The file is empty', `"${name}" has 0 bytes. Save the page again.`)
  if (bytes.subarray(0, 4).toString('latin1') !== 'PK\u0003\u0004') {
    if (bytes.length > MOST_PAGE || bytes.includes(0))
      throw refuse(
        'This file is no page',
        `"${name}" is ${bytes.includes(0) ? 'binary' : 'too long'}. Drop saved HTML, or a ZIP with a page and its style sheets.`,
      )
    return pageOf(decode(bytes))
  }
  const { files, read } = await unzip(bytes, name, refuse)
  const page = files
    .filter((f) => /\.html?$/i.test(f.name))
    .sort(
      (a, b) =>
        a.name.split('/').length - b.name.split('/').length ||
        Number(/index/i.test(b.name)) - Number(/index/i.test(a.name)),
    )[0]
  if (!page)
    throw refuse('There is no page in this ZIP', `Among its ${files.length} files none ends in .html.`)
  const sheets: string[] = []
  for (const f of files.filter((x) => /\.css$/i.test(x.name)).slice(0, MOST_SHEETS))
    sheets.push(decode(await read(f)))
  return pageStyle(decode(await read(page)), sheets)
}

/** The looks of the page at an address, fetched with its style sheets; private networks are refused. */
export async function pageFromAddress(
  address: string,
  limits: Pick<FetchLimits, 'lookup'> = {},
): Promise<PageStyle & { address: string }> {
  const bounds = { most: MOST_PAGE, patience: 12_000, ...limits }
  const page = await guardedFetch(address, bounds)
  if (!/html|xml|text\/plain/.test(page.type))
    throw refuse(
      'There is no page at this address',
      `It sends ${page.type || 'something unnamed'}. Give the address of a web page.`,
    )
  const html = decode(page.bytes)
  const sheets: string[] = []
  const linked = [...html.matchAll(/<link\b[^>]*>/gi)]
    .map((m) => m[0])
    .filter((l) => /rel\s*=\s*["']?[^"'>]*stylesheet/i.test(l))
    .flatMap((l) => /href\s*=\s*["']?([^"'\s>]+)/i.exec(l)?.[1] ?? [])
  // One sheet that is missing does not spoil the rest.
  for (const href of linked.slice(0, MOST_SHEETS))
    try {
      sheets.push(
        decode((await guardedFetch(new URL(href.replace(/&amp;/g, '&'), page.address).href, bounds)).bytes),
      )
    } catch (e) {
      if (!(e instanceof Problem)) throw e
    }
  return { ...pageStyle(html, sheets, page.address), address: page.address }
}
