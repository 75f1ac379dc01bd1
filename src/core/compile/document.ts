import type { Element, ElementContent, Root } from 'hast'
import { fontFamily } from '../email/fonts'
import type { Email } from '../email/schema'
import { tilesOf } from '../email/walk'
import { asSample, replaceFields } from '../text/fields'
import type { CompileContext } from '../tiles/context'
import { css, el, text } from '../html/element'
import { notWord, wordOnly } from '../html/nodes'
import { sheetLines, type Rule } from '../tiles/rules'

/**
 * What mail programs show after the subject; the invisible characters behind it keep the email's first words
 * from following it.
 */
const guard = '\u034f\u00a0'.repeat(60)

/**
 * The preheader: in the source first, on screen nowhere. Neither letters of a px nor ink of the ground's colour hide it:
 * filters take both for the ways of spam (measured with SpamAssassin: 1.0 and 0.7 points).
 */
function preheader(email: Pick<Email, 'preheader'>, c: CompileContext): Element | null {
  const words = replaceFields(email.preheader, c.fields).trim()
  if (!words) return null
  return el(
    'div',
    {
      className: ['preheader'],
      style: css({ display: 'none', 'max-height': 0, overflow: 'hidden' }),
    },
    words + guard,
  )
}

/**
 * What the email can be shown as: without colours for the night it asks to be left as it is.
 * @see CSS Color Adjustment 1, 2.1
 */
function colorScheme(
  email: Email,
  c: CompileContext,
  rules: ReadonlyMap<string, Rule>,
  { sheet }: Sheets,
): string {
  const night =
    !!c.style.nightGround ||
    [...rules.values()].some((r) => r.scope === 'night' || r.media?.includes('prefers-color-scheme')) ||
    email.bands.some((b) => [...tilesOf(b)].some((t) => t.kind === 'picture' && t.nightPicture))
  return sheet && night ? 'light dark' : 'light only'
}

/** How a document carries its styles, beside those in its elements. */
export interface Sheets {
  /** Whether there is a style sheet at all. */
  sheet: boolean
  /** Rules of the elements' own styles, where these stand in the head. */
  own?: string[]
}

/** Class of what has the ground of the night, where there is one and a sheet to say so. */
const nightClass = (c: CompileContext, { sheet }: Sheets): string[] | undefined =>
  c.style.nightGround && sheet ? ['night'] : undefined

/** The body, with a slot for the bands. */
export function bodyTree(email: Email, c: CompileContext, sheets: Sheets): Element {
  const title = replaceFields(email.title || email.subject || 'Email', asSample())
  const article = el(
    'div',
    {
      className: nightClass(c, sheets),
      role: 'article',
      'aria-roledescription': 'email',
      ariaLabel: title,
      lang: email.lang,
      dir: email.dir,
      style: `background-color:${c.style.ground};overflow-wrap:anywhere`,
    },
    [{ type: 'slot', value: '' }],
  )
  article.hints = { guarded: true }
  return el('body', { className: nightClass(c, sheets), style: bodyStyle(c) }, preheader(email, c), article)
}

/** The whole document around its body. @param rules what the bands asked for */
export const documentTree = (
  email: Email,
  c: CompileContext,
  body: ElementContent[],
  rules: ReadonlyMap<string, Rule>,
  sheets: Sheets,
): Root => ({
  type: 'root',
  children: [
    { type: 'doctype' },
    el('html', { lang: email.lang, dir: email.dir }, headTree(email, c, rules, sheets), body),
  ],
})

function headTree(
  email: Email,
  c: CompileContext,
  rules: ReadonlyMap<string, Rule>,
  sheets: Sheets,
): Element {
  const { sheet, own } = sheets
  const scheme = colorScheme(email, c, rules, sheets)
  const meta = (name: string, content: string) => el('meta', { name, content })
  const style = (lines: string[]) => el('style', null, text(block(lines)))
  return el(
    'head',
    null,
    el('meta', { charSet: 'utf-8' }),
    meta('viewport', 'width=device-width, initial-scale=1'),
    // One phone program enlarges messages by itself without this.
    meta('x-apple-disable-message-reformatting', 'yes'),
    // Dates and numbers must not turn into links of the phone's own colour.
    meta('format-detection', 'telephone=no, date=no, address=no, email=no'),
    meta('color-scheme', scheme),
    meta('supported-color-schemes', scheme),
    el('title', null, text(replaceFields(email.title || email.subject || 'Email', c.fields))),
    wordOnly(officeSettings(), ...(sheet ? [wordSheet(email, c)] : [])),
    // First, so that rules for narrow and for night still come after.
    own ? style(own) : null,
    // A condition keeps `@font-face` from the Word engine, which would show its default font in its place.
    sheet && c.style.webFonts.length ? notWord(style(fontFaces(c))) : null,
    sheet ? style(sheetOf(c, rules, scheme)) : null,
  )
}

/** The Word engine scales by the screen's density unless told the density of the layout. */
const officeSettings = (): Element =>
  el(
    'xml',
    null,
    el(
      'o:OfficeDocumentSettings',
      { 'xmlns:o': 'urn:schemas-microsoft-com:office:office' },
      el('o:PixelsPerInch', null, '96'),
    ),
  )

/**
 * The Word engine knows neither display:none nor line heights as others do; its own properties stand where no
 * other reader (and no checker) sees them.
 */
function wordSheet(email: Email, c: CompileContext): Element {
  const hidden = replaceFields(email.preheader, c.fields).trim() ? '.preheader{mso-hide:all;}' : ''
  return el(
    'style',
    null,
    `table{border-collapse:collapse;}td,th,div,p,a,h1,h2,h3,li{mso-line-height-rule:exactly;}${hidden}`,
  )
}

/** A style sheet can end its element by no means but this. */
const block = (lines: string[]): string =>
  `\n${lines.map((l) => `    ${l.replace(/<(?=[/!])/g, '\\3c ')}`).join('\n')}\n  `

const fontFaces = (c: CompileContext): string[] =>
  c.style.webFonts.flatMap((f) =>
    f.files.map(
      (file) =>
        `@font-face{font-family:'${f.family}';font-style:${file.italic ? 'italic' : 'normal'};font-weight:${file.weight};font-display:swap;src:url('${encodeURI(file.address.toWellFormed()).replace(/'/g, '%27')}')}`,
    ),
  )

const sheetOf = (c: CompileContext, rules: ReadonlyMap<string, Rule>, scheme: string): string[] => [
  // The same as the meta tag, for readers that look here.
  `:root{color-scheme:${scheme}}`,
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
const bodyStyle = (c: CompileContext): string =>
  css({
    margin: '0',
    padding: '0',
    width: '100%',
    'background-color': c.style.ground,
    'font-family': fontFamily(c.style.roles.main.text.body.font, c.style.webFonts),
  })
