import type { Element } from 'hast'
import { fontFamily } from '../email/fonts'
import type { Email } from '../email/schema'
import { replaceFields } from '../handover/fields'
import type { CompileContext } from './context'
import { css, el, text, wordOnly } from './element'
import { sheetLines, type Rule } from './rules'

/**
 * What mail programs show after the subject; the invisible characters behind it keep the email's first words
 * from following it.
 */
const guard = '\u034f\u00a0'.repeat(60)

/** The preheader: in the source first, on screen nowhere. */
export function preheader(email: Pick<Email, 'preheader'>, c: CompileContext): Element | null {
  const words = replaceFields(email.preheader, c.fields).trim()
  if (!words) return null
  return el(
    'div',
    {
      className: ['preheader'],
      style: css({
        display: 'none',
        'max-height': 0,
        overflow: 'hidden',
        'font-size': '1px',
        'line-height': '1px',
        color: c.style.ground,
      }),
    },
    words + guard,
  )
}

/** The body's own rule at night. */
export const nightGround = (c: CompileContext): string | undefined =>
  c.style.nightGround && c.styles !== 'inline' ? 'night' : undefined

/** The head. @param rules what the bands asked for */
export function head(email: Email, c: CompileContext, rules: ReadonlyMap<string, Rule>): Element {
  const meta = (name: string, content: string) => el('meta', { name, content })
  const styled = c.styles !== 'inline'
  // The Word engine knows neither display:none nor line heights as others do; its own properties stand where
  // no other reader (and no checker) sees them. It also scales by the screen's density unless told the
  // density of the layout, and falls back to a serif for a web font.
  const word = styled
    ? `<style>table{border-collapse:collapse;}td,th,div,p,a,h1,h2,h3,li{mso-line-height-rule:exactly;}${replaceFields(email.preheader, c.fields).trim() ? '.preheader{mso-hide:all;}' : ''}</style>`
    : ''
  return el(
    'head',
    null,
    el('meta', { charSet: 'utf-8' }),
    meta('viewport', 'width=device-width, initial-scale=1'),
    // One phone program enlarges messages by itself without this.
    meta('x-apple-disable-message-reformatting', 'yes'),
    // Dates and numbers must not turn into links of the phone's own colour.
    meta('format-detection', 'telephone=no, date=no, address=no, email=no'),
    meta('color-scheme', 'light dark'),
    meta('supported-color-schemes', 'light dark'),
    el('title', null, text(replaceFields(email.title || email.subject || 'Email', c.fields))),
    wordOnly(
      `<xml><o:OfficeDocumentSettings xmlns:o="urn:schemas-microsoft-com:office:office"><o:PixelsPerInch>96</o:PixelsPerInch></o:OfficeDocumentSettings></xml>${word}`,
    ),
    // A condition keeps `@font-face` from the Word engine, which would show its default font in its place.
    ...(styled && c.style.webFonts.length
      ? [
          { type: 'comment' as const, value: '[if !mso]><!' },
          el('style', null, text(block(fontFaces(c)))),
          { type: 'comment' as const, value: '<![endif]' },
        ]
      : []),
    styled ? el('style', null, text(block(sheet(c, rules)))) : null,
  )
}

/** A style sheet can end its element by no means but this. */
const block = (lines: string[]): string =>
  `\n${lines.map((l) => `    ${l.replace(/<(?=[/!])/g, '\\3c ')}`).join('\n')}\n  `

const fontFaces = (c: CompileContext): string[] =>
  c.style.webFonts.flatMap((f) =>
    f.files.map(
      (file) =>
        `@font-face{font-family:'${f.family}';font-style:${file.italic ? 'italic' : 'normal'};font-weight:${file.weight};font-display:swap;src:url('${encodeURI(file.address).replace(/'/g, '%27')}')}`,
    ),
  )

const sheet = (c: CompileContext, rules: ReadonlyMap<string, Rule>): string[] => [
  // The same as the meta tag, for readers that look here.
  ':root{color-scheme:light dark}',
  // Phones enlarge small letters unless told not to.
  'body{margin:0;padding:0;-webkit-text-size-adjust:100%;-ms-text-size-adjust:100%}',
  // Some webmail makes found addresses and dates blue and underlined.
  'a[x-apple-data-detectors]{color:inherit!important;text-decoration:none!important}',
  ...sheetLines(rules),
  ...(c.style.nightGround
    ? [
        `@media (prefers-color-scheme:dark){body,.night{background-color:${c.style.nightGround}!important}}`,
        `[data-ogsb] .night{background-color:${c.style.nightGround}!important}`,
      ]
    : []),
]

/** Style of the body. */
export const bodyStyle = (c: CompileContext): string =>
  css({
    margin: '0',
    padding: '0',
    width: '100%',
    'background-color': c.style.ground,
    'font-family': fontFamily(c.style.roles.main.text.body.font, c.style.webFonts),
  })
