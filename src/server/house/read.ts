import { tooMuch } from '@/core/html/bounds'
import { linkedSheets } from '@/core/house/sheets'
import { pageStyle, type PageSheet, type PageStyle } from '@/core/house/page'
import { decode } from '../import/decode'
import { unzip } from '../import/unzip'
import { Problem } from '../problem'

export const refuse = (title: string, why: string) => new Problem(422, 'not-a-page', title, why)
export const MOST_PAGE = 6 * 1024 * 1024
export const MOST_SHEETS = 12

/**
 * The looks of a page. @param sheets its style sheets, beside those that stand in it @param base its address, for pictures named
 * relatively
 */
export function pageOf(html: string, sheets: readonly PageSheet[] = [], base?: string): PageStyle {
  const tags = /<[a-z!]/i.test(html)
  const css = sheets.filter((s) => s.css.trim())
  if (!tags && !css.length)
    throw refuse('There is no HTML in it', 'Paste the source of a page, with its tags, or its style sheet.')
  const much = tags && tooMuch(html)
  if (much) throw refuse('This page is too much', `It holds ${much}. Save a simpler page of the same look.`)
  return pageStyle(tags ? html : '<body></body>', css, base)
}

/** The looks of a saved page: an HTML file, or a ZIP of one with its style sheets. */
export async function pageOfFile(bytes: Buffer, name: string): Promise<PageStyle> {
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
  const html = decode(await read(page))
  const sheets: PageSheet[] = []
  for (const { file, href } of sheetsIn(files, page.name, html).slice(0, MOST_SHEETS))
    sheets.push({ css: decode(await read(file)), ...(href ? { href } : {}) })
  return pageOf(html, sheets)
}

/** The sheets of a ZIP that a page links, by where it says they stand; all of them where it links none that is there. */
function sheetsIn<F extends { name: string }>(
  files: readonly F[],
  page: string,
  html: string,
): { file: F; href?: string }[] {
  const sheets = files.filter((f) => /\.css$/i.test(f.name))
  const base = new URL(`zip://page/${page}`)
  const linked = linkedSheets(html).flatMap((href) => {
    const path = URL.canParse(href, base) ? decodeURI(new URL(href, base).pathname.slice(1)) : ''
    // A page saved by a browser may name a sheet by where it came from.
    const file =
      sheets.find((f) => f.name === path) ??
      sheets.find((f) => f.name.split('/').at(-1) === path.split('/').at(-1))
    return file ? [{ file, href }] : []
  })
  return linked.length ? linked : sheets.map((file) => ({ file }))
}
