import { standInFaces } from '@/core/email/stand-ins'

/**
 * The type declaration that a document begins with, blanks and comments aside; none where it does not. It decides nothing but in which mode
 * a browser lays the document out.
 */
function doctypeOf(html: string): string {
  let at = 0
  for (;;) {
    while (/[\t\n\f\r ]/.test(html[at] ?? '')) at++
    if (!html.startsWith('<!--', at)) break
    const end = html.indexOf('-->', at + 4)
    if (end < 0) return ''
    at = end + 3
  }
  if (html.slice(at, at + 9).toLowerCase() !== '<!doctype') return ''
  const end = html.indexOf('>', at)
  return end < 0 ? '' : html.slice(at, end + 1)
}

/** What a frame may load: the app's own pictures, what stands elsewhere too, or nothing, as a reader with pictures off. */
export type Loads = 'own' | 'all' | 'nothing'

/**
 * Markup for a frame with a policy of its own (Content Security Policy Level 3, section 3.3): no script, own pictures,
 * and nothing from elsewhere unless a person lets it. Nothing but a type declaration stands before the policy, so that whatever the markup
 * begins with, the policy is the first thing of the head (HTML, 13.2.6.4.1 to 13.2.6.4.4: "initial" to "in head").
 * @param own origin of the app: "self" stands for no origin in a frame without one
 */
export function framed(html: string, loads: Loads, own = location.origin): string {
  const more = loads === 'all' ? ' https: http:' : ''
  const policy = [
    "default-src 'none'",
    loads === 'nothing' ? "img-src 'none'" : `img-src ${own} data: blob:${more}`,
    `font-src ${own} data:${more}`,
    `style-src 'unsafe-inline'${more}`,
  ].join('; ')
  return `${doctypeOf(html)}<meta http-equiv="Content-Security-Policy" content="${policy}"><style id="stand-ins">${standInFaces(own)}</style>${html}`
}
