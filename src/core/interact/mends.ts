import { components, componentsOfText, runtimeScript, scriptOf } from './components'
import { printMapped } from '../html/print'
import { tagsOf, type Tag } from '../html/tags'
import { inside, sheetOf } from './text'

/** What mends an AMP text in one press, by name. */
export const mends = {
  'form-target': 'Take the target away',
  'form-action': 'Send in place (action-xhr)',
  img: 'Make it amp-img',
  'script-lines': 'Add the missing script lines',
  important: 'Take !important away',
  relative: 'Take the address away',
  http: 'Ask by https',
  scripts: 'Take the script out',
  frame: 'Put the frame around it',
  sizes: 'Give it a width and a height',
  attribute: 'Take the attribute away',
  element: 'Take the element out',
} as const
export type Mend = keyof typeof mends

/** A stretch of a text, and what is put in its place. */
interface Patch {
  from: number
  to: number
  put: string
}

/** A text with what each of its tags wants changed. */
function patched(html: string, change: (tag: Tag, i: number, all: readonly Tag[]) => Patch[]): string {
  let out = ''
  let at = 0
  for (const { from, to, put } of tagsOf(html)
    .flatMap(change)
    .sort((a, b) => a.from - b.from)) {
    if (from < at) continue
    out += html.slice(at, from) + put
    at = to
  }
  return out + html.slice(at)
}

const attributeOf = (tag: Tag, name: string) => tag.attributes.find((a) => a.name === name)
const value = (tag: Tag, name: string) => attributeOf(tag, name)?.value

/** Takes an attribute away, or puts another in its place. */
function instead(tag: Tag, name: string, put = ''): Patch[] {
  const found = attributeOf(tag, name)
  return found ? [{ from: found.from, to: found.to, put }] : []
}

const quoted = (s: string) => s.replace(/&/g, '&amp;').replace(/"/g, '&quot;')
const byHttps = (address: string) => quoted(address.replace(/^http:/i, 'https:'))

/** The lines of script that a text lacks, put into its head. */
export function withScripts(html: string): string {
  const used = componentsOfText(html)
  const has = new Set(
    tagsOf(html)
      .filter((t) => t.name === 'script' && !t.closing)
      .map((t) => value(t, 'custom-element') ?? value(t, 'custom-template') ?? 'v0'),
  )
  const lines = [
    ...(has.has('v0') ? [] : [runtimeScript()]),
    ...used.filter((name) => components[name] && !has.has(name)).map(scriptOf),
  ].map((s) => printMapped([s], 0, { indent: null, marks: false }).html)
  if (!lines.length) return html
  const tags = tagsOf(html)
  const head = tags.findIndex((t) => t.name === 'head' && !t.closing)
  // The character set stands first of all.
  const first = tags[head + 1]
  const after = first?.name === 'meta' && attributeOf(first, 'charset') ? first : tags[head]
  const at = head < 0 ? 0 : after!.to
  return `${html.slice(0, at)}\n${lines.join('\n')}${html.slice(at)}`
}

function withoutDoctype(html: string): string {
  const from = html.toLowerCase().indexOf('<!doctype')
  const to = from < 0 ? -1 : html.indexOf('>', from)
  return to < 0 ? html : html.slice(0, from) + html.slice(to + 1)
}

const FRAME = new Set(['html', 'head', 'body', 'meta', 'title', 'link'])

/** The fixed frame of an AMP email around what stands in a text's body (AMP for Email, "Required markup"). */
function framed(html: string): string {
  const body = inside(html, (t) => t.name === 'body')
  const content = body
    ? html.slice(body.from, body.to)
    : withoutDoctype(
        patched(html, (t) => (FRAME.has(t.name) ? [{ from: t.from, to: t.to, put: '' }] : [])),
      ).trim()
  return withScripts(
    [
      '<!doctype html>',
      '<html amp4email data-css-strict>',
      '<head>',
      '<meta charset="utf-8">',
      '<style amp4email-boilerplate>body{visibility:hidden}</style>',
      `<style amp-custom>${sheetOf(html)}</style>`,
      '</head>',
      `<body>${content}</body>`,
      '</html>',
      '',
    ].join('\n'),
  )
}

/** Whether a script is one of AMP's own, or holds data alone. */
const ownScript = (tag: Tag): boolean =>
  value(tag, 'type') === 'application/json' ||
  (value(tag, 'src') ?? '').startsWith('https://cdn.ampproject.org/v0')

/** Elements that are nothing without what they show: they go with all that they hold. */
const SHOWS = /^(?:amp-)?(?:video|audio|iframe|ad|youtube)$|^(?:object|embed|applet|link|base|svg|canvas)$/

/** Without an element: with what it holds where that is no content of its own. */
const withoutElement = (html: string, name: string): string =>
  patched(html, (t, i, all) => {
    if (t.name !== name) return []
    if (!SHOWS.test(name) || t.closing) return [{ from: t.from, to: t.to, put: '' }]
    const end = all.slice(i).find((o) => o.name === name && o.closing)
    return [{ from: t.from, to: end?.to ?? t.to, put: '' }]
  })

/** What a picture without a size is given to begin with, px. */
const SIZE = { width: 600, height: 400 }

const steps: Record<Mend, (html: string, of: string) => string> = {
  sizes: (html) =>
    patched(html, (t) => {
      if (t.closing || !/^amp-(?:img|anim|carousel|list)$/.test(t.name)) return []
      const lacks = (['width', 'height'] as const).filter((name) => !attributeOf(t, name))
      if (!lacks.length || (value(t, 'layout') === 'fixed-height' && !lacks.includes('height'))) return []
      const end = t.selfClosing ? t.to - 2 : t.to - 1
      return [{ from: end, to: end, put: lacks.map((name) => ` ${name}="${SIZE[name]}"`).join('') }]
    }),
  attribute: (html, of) => patched(html, (t) => (of ? instead(t, of) : [])),
  element: (html, of) => (of ? withoutElement(html, of) : html),
  'form-target': (html) => patched(html, (t) => (t.name === 'form' ? instead(t, 'target') : [])),
  'form-action': (html) =>
    patched(html, (t) => {
      const action = value(t, 'action')
      if (t.name !== 'form' || action === undefined) return []
      if (attributeOf(t, 'action-xhr')) return instead(t, 'action')
      const method = attributeOf(t, 'method')
      const post = method ? '' : ' method="post"'
      return [
        ...instead(t, 'action', `action-xhr="${byHttps(action)}"${post}`),
        ...(method && method.value.toLowerCase() !== 'post' ? instead(t, 'method', 'method="post"') : []),
      ]
    }),
  img: (html) =>
    patched(html, (t) => {
      if (t.name !== 'img' || t.closing) return []
      const width = Number.parseInt(value(t, 'width') ?? '', 10) || 600
      const sized = [
        ...(attributeOf(t, 'width') ? [] : [`width="${width}"`]),
        ...(attributeOf(t, 'height') ? [] : [`height="${Math.round((width * 2) / 3)}"`]),
        ...(attributeOf(t, 'layout') ? [] : ['layout="intrinsic"']),
      ]
      const end = t.selfClosing ? t.to - 2 : t.to - 1
      return [
        { from: t.from, to: t.from + 4, put: '<amp-img' },
        { from: end, to: t.to, put: `${sized.map((s) => ` ${s}`).join('')}></amp-img>` },
      ]
    }),
  'script-lines': withScripts,
  important: (html) => html.replace(/!important/gi, ''),
  relative: (html) =>
    patched(html, (t) =>
      /^(?:https?|mailto|tel|sms):/i.test(value(t, 'href') ?? 'https:') ? [] : instead(t, 'href'),
    ),
  http: (html) =>
    patched(html, (t) =>
      ['action-xhr', 'src'].flatMap((name) =>
        /^http:/i.test(value(t, name) ?? '') ? instead(t, name, `${name}="${byHttps(value(t, name)!)}"`) : [],
      ),
    ),
  scripts: (html) =>
    patched(html, (t, i, all) => {
      if (t.name !== 'script' || t.closing || ownScript(t)) return []
      const end = all.slice(i).find((o) => o.name === 'script' && o.closing)
      return [{ from: t.from, to: end?.to ?? t.to, put: '' }]
    }),
  frame: framed,
}

/** An AMP text with one kind of fault mended throughout. @param of the attribute or element that it is of */
export const mended = (html: string, mend: Mend, of = ''): string => steps[mend](html, of)
