/** Where a document's type declaration ends; 0 where it does not begin with one, blanks and comments aside. */
function behindDoctype(html: string): number {
  let at = 0
  for (;;) {
    while (/\s/.test(html[at] ?? '')) at++
    if (!html.startsWith('<!--', at)) break
    const end = html.indexOf('-->', at + 4)
    if (end < 0) return 0
    at = end + 3
  }
  if (html.slice(at, at + 9).toLowerCase() !== '<!doctype') return 0
  return html.indexOf('>', at) + 1
}

/** What a frame may load: the app's own pictures, what stands elsewhere too, or nothing, as a reader with pictures off. */
export type Loads = 'own' | 'all' | 'nothing'

/**
 * Markup for a frame with a policy of its own (Content Security Policy Level 3, section 3.3): no script, own pictures,
 * and nothing from elsewhere unless a person lets it. The policy comes before anything that could load.
 */
export function framed(html: string, loads: Loads): string {
  const more = loads === 'all' ? ' https: http:' : ''
  // "self" stands for no origin in a frame without one.
  const own = location.origin
  const policy = [
    "default-src 'none'",
    loads === 'nothing' ? "img-src 'none'" : `img-src ${own} data: blob:${more}`,
    `font-src ${own} data:${more}`,
    `style-src 'unsafe-inline'${more}`,
  ].join('; ')
  const at = behindDoctype(html)
  return `${html.slice(0, at)}<meta http-equiv="Content-Security-Policy" content="${policy}">${html.slice(at)}`
}
