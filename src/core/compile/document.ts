import type { Element, ElementContent, Properties, Root } from 'hast'
import { fontFamily, safeFont } from '../email/fonts'
import type { Email, EmailGround } from '../email/schema'
import { tilesOf } from '../email/walk'
import { asSample, replaceFields } from '../text/fields'
import type { CompileContext } from '../tiles/context'
import { comment, css, el, text } from '../html/element'
import { notWord, wordOnly } from '../html/nodes'
import { startTag } from '../html/print'
import { phrasesOf } from '../text/phrases'
import { LIST_INDENT } from '../tiles/words/html'
import { sheetLines, wordLines, type Rule } from '../tiles/rules'
import { pictureStyle } from './boxes'

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
      'aria-roledescription': phrasesOf(email.lang).email,
      ariaLabel: title,
      lang: email.lang,
      dir: email.dir,
      style: css({
        'background-color': c.style.ground,
        ...pictureStyle(email.behind, c.src),
        'overflow-wrap': 'anywhere',
        'font-family': pageFamily(c),
      }),
    },
    [{ type: 'slot', value: '' }],
  )
  article.hints = { guarded: true }
  const names = sheets.sheet ? ['body', ...(nightClass(c, sheets) ?? [])] : undefined
  const main = el('div', { role: 'main' }, article)
  // Some readers show pictures behind by this attribute alone.
  const behind = email.behind ? { background: c.src(email.behind.picture) } : {}
  return el(
    'body',
    { className: names, ...behind, style: bodyStyle(c) },
    email.behind ? wordBackground(email.behind, c) : null,
    preheader(email, c),
    main,
  )
}

/** The Word engine knows a picture behind the page as a background of its own, which it tiles. */
const wordBackground = ({ picture }: EmailGround, c: CompileContext) =>
  wordOnly(
    el('v:background', { 'xmlns:v': namespaces['xmlns:v'], fill: 't' }, [
      el('v:fill', { type: 'tile', src: c.src(picture), color: c.style.ground }),
    ]),
  )

/** Whether the Word engine draws anything. */
const draws = (rules: ReadonlyMap<string, Rule>) => [...rules.values()].some((r) => r.scope === 'vml')

/** What that engine's drawings are named by, once for all of them. */
const namespaces: Properties = {
  'xmlns:v': 'urn:schemas-microsoft-com:vml',
  'xmlns:w': 'urn:schemas-microsoft-com:office:word',
}

/** The whole document around its body. @param rules what the bands asked for */
export function documentTree(
  email: Email,
  c: CompileContext,
  body: ElementContent[],
  rules: ReadonlyMap<string, Rule>,
  sheets: Sheets,
): Root {
  const own = { lang: email.lang, dir: email.dir }
  const inside = [headTree(email, c, rules, sheets), body]
  if (!draws(rules)) return { type: 'root', children: [{ type: 'doctype' }, el('html', own, ...inside)] }
  // The Word engine has a start tag of its own: namespaces are no part of HTML.
  const word = startTag({ tagName: 'html', properties: { ...own, ...namespaces } }, true)
  return {
    type: 'root',
    children: [
      { type: 'doctype' },
      comment(`[if mso]>${word}<![endif]`),
      comment('[if !mso]><!'),
      el('html', own, comment('<![endif]'), ...inside),
    ],
  }
}

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
    wordOnly(officeSettings(), ...(sheet ? [wordSheet(email, c, rules)] : [])),
    // First, so that rules for narrow and for night still come after.
    own ? style(own) : null,
    // A condition keeps `@font-face` from the Word engine, which would show its default font in its place.
    sheet && c.style.webFonts.length ? notWord(style(fontFaces(c))) : null,
    sheet ? style(sheetOf(email, c, rules, scheme)) : null,
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
 * other reader (and no checker) sees them. Only words have lines of an exact height: elsewhere it would crop pictures. It draws an
 * edge around linked pictures unless told, and sets letters it does not have in a serif unless told of another font.
 */
function wordSheet(email: Email, c: CompileContext, rules: ReadonlyMap<string, Rule>): Element {
  const hidden = replaceFields(email.preheader, c.fields).trim() ? '.preheader{mso-hide:all}' : ''
  const fonts = c.style.webFonts
    .map(
      (f) =>
        `@font-face{font-family:'${f.family}';mso-font-alt:${safeFont(f.family, c.style.webFonts).css.split(',')[0]}}`,
    )
    .join('')
  const words = 'p,h1,h2,h3,li{mso-line-height-rule:exactly}'
  // It knows no padding of a list, but a margin of its items.
  const items = `li{margin-${email.dir === 'rtl' ? 'right' : 'left'}:${LIST_INDENT}px}`
  return el(
    'style',
    null,
    `${fonts}table{border-collapse:collapse}td,th,caption{font-family:${pageFamily(c)}}img{border:0}${words}${items}${hidden}${wordLines(rules)}`,
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

/** A ground of the night takes the picture of the day away, which would light it up. */
const nightGround = ({ behind }: Email, color: string): string =>
  `background-color:${color}!important${behind ? ';background-image:none!important' : ''}`

const sheetOf = (
  email: Email,
  c: CompileContext,
  rules: ReadonlyMap<string, Rule>,
  scheme: string,
): string[] => [
  // The same as the meta tag, for readers that look here.
  `:root{color-scheme:${scheme}}`,
  // Phones enlarge small letters unless told not to.
  'body{margin:0;padding:0;-webkit-text-size-adjust:100%;-ms-text-size-adjust:100%}',
  // Phones make found addresses, numbers and dates blue and underlined (names of hooks from memory).
  'a[x-apple-data-detectors]{color:inherit!important;text-decoration:none!important}',
  // So do two others, which leave what links say themselves: one puts the body's insides after an element `u`.
  'u+.body a,#MessageViewBody a{color:inherit;text-decoration:none}',
  ...sheetLines(rules),
  ...(c.style.nightGround
    ? [
        `@media (prefers-color-scheme:dark){body,.night{${nightGround(email, c.style.nightGround)}}}`,
        `[data-ogsb] .night{${nightGround(email, c.style.nightGround)}}`,
      ]
    : []),
]

/** The family that all of an email inherits: that of its paragraphs. */
export const pageFamily = (c: CompileContext): string =>
  fontFamily(c.style.roles.main.text.body.font, c.style.webFonts)

/** Style of the body. */
const bodyStyle = (c: CompileContext): string =>
  css({
    margin: '0',
    padding: '0',
    width: '100%',
    'background-color': c.style.ground,
    'font-family': pageFamily(c),
  })
