import type { Content } from '../content'
import type { PageStyle } from '@/core/house/page'
import { decode } from '../import/decode'
import { guardedFetch, type FetchLimits } from '../net/guarded-fetch'
import { compute } from '../pool'
import { Problem } from '../problem'
import type { Tell } from '../tasks/progress'
import { offered } from './offers'
import { MOST_PAGE, MOST_SHEETS, refuse } from './read'

/** The looks of a saved page: an HTML file, or a ZIP of one with its style sheets. */
export const looksOfFile = (content: Content, name: string, signal?: AbortSignal): Promise<PageStyle> =>
  compute('pageOfFile', { content, name }, { signal })

/** The looks of pasted HTML and CSS. */
export const looksOfSource = (html: string, css = '', signal?: AbortSignal): Promise<PageStyle> =>
  compute('pageOf', { html, sheets: [{ css }] }, { signal })

/** Longest that a page and all its sheets may take to come, ms. */
const MOST_TIME = 10_000

/** What is told of on the way. */
const STEPS = 4

/** The looks of the page at an address, fetched with its style sheets; private networks are refused. */
export async function looksOfAddress(
  address: string,
  limits: Pick<FetchLimits, 'lookup' | 'ask'> = {},
  { tell = () => {}, signal }: { tell?: Tell; signal?: AbortSignal } = {},
): Promise<PageStyle & { address: string }> {
  tell({ done: 0, total: STEPS, what: 'Asking for the page' })
  const bounds = { most: MOST_PAGE, patience: 8_000, until: Date.now() + MOST_TIME, ...limits }
  const page = await guardedFetch(address, bounds)
  if (!/html|xml|text\/plain/.test(page.type))
    throw refuse(
      'There is no page at this address',
      `It sends ${page.type || 'something unnamed'}. Give the address of a web page.`,
    )
  const html = decode(page.bytes)
  const { address: base } = page
  tell({ done: 1, total: STEPS, what: 'Asking for its style sheets' })
  const linked = await compute('linkedSheets', { html }, { signal })
  const sheets = await Promise.all(
    linked
      .filter((href) => URL.canParse(href, base))
      .slice(0, MOST_SHEETS)
      .map(async (href) => ({ href, ...(await sheetAt(new URL(href, base).href, bounds)) })),
  )
  tell({ done: 2, total: STEPS, what: 'Reading what it looks like' })
  const looks = await compute(
    'pageOf',
    { html, sheets: sheets.map(({ css, href }) => ({ css, href })), base },
    { signal },
  )
  tell({ done: 3, total: STEPS, what: 'Asking for its fonts' })
  const faces = await compute('fontFaces', { html, base, sheets }, { signal })
  return { ...looks, fonts: await offered(looks.fonts, faces, bounds, signal), address: base }
}

/** The sheet at an address. One that is missing does not spoil the rest. */
async function sheetAt(address: string, bounds: FetchLimits): Promise<{ css: string; base?: string }> {
  try {
    const sheet = await guardedFetch(address, bounds)
    return { css: decode(sheet.bytes), base: sheet.address }
  } catch (error) {
    if (error instanceof Problem) return { css: '' }
    throw error
  }
}
