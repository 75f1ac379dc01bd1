/** What stands for the message of a form that was sent. */
export const sentStates = ['waiting', 'sent', 'not sent'] as const

/** The page with an answer as its query, so that one press answers. */
export function answerLink(page: string, name: string, value: string): string {
  if (!/^https?:\/\//i.test(page.trim())) return page
  const [address, hash] = page.trim().split('#', 2) as [string, string?]
  const query = `${encodeURIComponent(name)}=${encodeURIComponent(value)}`
  return `${address}${address.includes('?') ? '&' : '?'}${query}${hash === undefined ? '' : `#${hash}`}`
}

/** Whether readers ask an address at all: by https alone. Without it a tile's static version stands in AMP too. */
export const isAsked = (address: string): boolean => /^https:\/\/[^/]/i.test(address.trim())

/** The host of a page, for words that say where a link leads; null where it is a field, or no address. */
export function hostOf(page: string): string | null {
  try {
    return new URL(page.trim()).hostname.replace(/^www\./, '') || null
  } catch {
    return null
  }
}
