import type { PageStyle } from '@/core/house/page'
import { decode } from '../import/import'
import { guardedFetch, type FetchLimits } from '../net/guarded-fetch'
import { compute } from '../pool'
import { Problem } from '../problem'
import { MOST_PAGE, MOST_SHEETS, refuse } from './read'

/** The looks of a saved page: an HTML file, or a ZIP of one with its style sheets. */
export const looksOfFile = (bytes: Uint8Array, name: string, signal?: AbortSignal): Promise<PageStyle> =>
  compute('pageOfFile', { bytes, name }, { signal })

/** The looks of pasted HTML and CSS. */
export const looksOfSource = (html: string, css = '', signal?: AbortSignal): Promise<PageStyle> =>
  compute('pageOf', { html, sheets: [css] }, { signal })

/** The looks of the page at an address, fetched with its style sheets; private networks are refused. */
export async function looksOfAddress(
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
  const linked = await compute('linkedSheets', { html })
  // One sheet that is missing does not spoil the rest.
  for (const href of linked.slice(0, MOST_SHEETS))
    try {
      sheets.push(decode((await guardedFetch(new URL(href, page.address).href, bounds)).bytes))
    } catch (e) {
      if (!(e instanceof Problem)) throw e
    }
  const { address: base } = page
  return { ...(await compute('pageOf', { html, sheets, base })), address: base }
}
