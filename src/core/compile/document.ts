import type { Element } from 'hast'
import { fontStacks } from '../email/styles'
import type { Email } from '../email/schema'
import { replaceFields } from '../handover/fields'
import type { CompileContext } from './context'
import { css, el, text, wordOnly } from './element'

/** Narrow begins at this width and below, px. Phones are 320 to 430 wide; the widest email is never shown in full there. */
export const NARROW = 480

/** What mail programs show after the subject; the invisible characters behind it keep the email's first words from following it. */
const guard = '\u034f\u00a0'.repeat(60)

/** The preheader: in the source first, on screen nowhere. */
export function preheader(email: Pick<Email, 'preheader'>, c: CompileContext): Element | null {
  const words = replaceFields(email.preheader, c.fields).trim()
  if (!words) return null
  return el('div', { className: ['preheader'], style: css({ display: 'none', 'max-height': 0, overflow: 'hidden', 'font-size': '1px', 'line-height': '1px', color: c.style.ground }) }, words + guard)
}

/** The head. `rules` are the narrow rules that the bands asked for, class name to declarations. */
export function head(email: Email, c: CompileContext, rules: ReadonlyMap<string, string>): Element {
  const meta = (name: string, content: string) => el('meta', { name, content })
  return el('head', null,
    el('meta', { charSet: 'utf-8' }),
    meta('viewport', 'width=device-width, initial-scale=1'),
    // One phone program enlarges messages by itself without this.
    meta('x-apple-disable-message-reformatting', 'yes'),
    // Dates and numbers must not turn into links of the phone's own colour.
    meta('format-detection', 'telephone=no, date=no, address=no, email=no'),
    meta('color-scheme', 'light dark'),
    meta('supported-color-schemes', 'light dark'),
    el('title', null, text(replaceFields(email.title || email.subject || 'Email', c.fields))),
    // The Word engine knows neither display:none nor line heights as others do; its own properties stand where no other reader (and no checker) sees
    // them. It also scales by the screen's density unless told the density of the layout.
    wordOnly('<xml><o:OfficeDocumentSettings xmlns:o="urn:schemas-microsoft-com:office:office"><o:PixelsPerInch>96</o:PixelsPerInch></o:OfficeDocumentSettings></xml><style>table{border-collapse:collapse;}td,div,p,a,h1,h2,h3,li{mso-line-height-rule:exactly;}.preheader,.show-table,.show-table-row{mso-hide:all;}</style>'),
    el('style', null, text(sheet(rules))),
  )
}

function sheet(rules: ReadonlyMap<string, string>): string {
  const lines = [
    ':root{color-scheme:light dark}',
    // Phones enlarge small letters unless told not to.
    'body{margin:0;padding:0;-webkit-text-size-adjust:100%;-ms-text-size-adjust:100%}',
    // Some webmail makes found addresses and dates blue and underlined.
    'a[x-apple-data-detectors]{color:inherit!important;text-decoration:none!important}',
  ]
  if (rules.size) lines.push(`@media (max-width:${NARROW}px){`, ...[...rules].sort(([a], [b]) => (a < b ? -1 : 1)).map(([name, d]) => `  .${name}{${d}}`), '}')
  return `\n${lines.map((l) => `    ${l}`).join('\n')}\n  `
}

/** Style of the body and of the wrapper around the bands. */
export const bodyStyle = (c: CompileContext): string => css({ margin: '0', padding: '0', width: '100%', 'background-color': c.style.ground, 'font-family': fontStacks[c.style.text.body.font] })
