import type { Element, ElementContent, Properties } from 'hast'
import { css, el } from '../html/element'
import type { PictureRef } from '../picture/ref'
import { unconditional } from '../html/nodes'
import { withScheme } from '../text/link'

/** Elements of HTML that AMP for Email has (its validator's list; what is not here gives way to what it holds). */
const kept = new Set(
  `a abbr acronym address article aside b bdi bdo big blockquote br button caption center cite code col colgroup
  dd del dfn dir div dl dt em fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr i input ins kbd label legend li main
  mark menu meter nav ol optgroup option output p pre q rp rt ruby s samp section select small span strike strong sub sup svg table tbody td
  template textarea tfoot th thead time tr tt u ul var wbr`
    .split(/\s+/)
    .filter((t) => t && t !== 'center' && t !== 'meter'),
)

/** What goes with all that it holds. */
const gone = new Set([
  'script',
  'style',
  'iframe',
  'object',
  'embed',
  'link',
  'meta',
  'base',
  'head',
  'map',
  'audio',
])

/** Attributes that only old HTML has, or only pages. */
const dropped = new Set([
  'background',
  'hspace',
  'vspace',
  'autoplay',
  'loading',
  'srcSet',
  'sizes',
  'autoComplete',
])

/** Declarations of one engine alone, and those AMP for Email has not. */
const foreign = /^(?:mso-|-ms-|-webkit-|-moz-)/

/** What the pass knows of pictures, and what it had to leave out. */
export interface AmpPass {
  /** A picture by where it stands in the output. */
  picture: (src: string) => PictureRef | undefined
  /** What could not be said in AMP, a sentence each. */
  left: Set<string>
}

/** Compiled trees as AMP for Email allows them: pictures with their sizes, no conditions, no attribute of old HTML. */
export function toAmp(nodes: readonly ElementContent[], pass: AmpPass): ElementContent[] {
  return unconditional(nodes).flatMap((n) => node(n, pass))
}

function node(n: ElementContent, pass: AmpPass): ElementContent[] {
  if (n.type === 'text') return [n]
  if (n.type !== 'element') return []
  const { tagName } = n
  if (gone.has(tagName)) {
    pass.left.add(`<${tagName}> is not allowed and was left out`)
    return []
  }
  if (tagName === 'img') return [image(n, pass)]
  // What a template holds stands apart where it was read from markup.
  const inside = n.content ? (n.content.children as ElementContent[]) : n.children
  const children = inside.flatMap((c) => node(c, pass))
  if (!kept.has(tagName) && !tagName.startsWith('amp-')) return children
  const properties = cleaned(n.properties)
  if (tagName === 'a') {
    const href = absolute(properties.href)
    if (href === undefined) delete properties.href
    else properties.href = href
  }
  if (tagName === 'form') delete properties.target
  return [{ type: 'element', tagName, properties, children }]
}

/** A link that leads out of the message, whole; marks of a platform stay, since it puts the address in. Undefined where it leads nowhere. */
function absolute(href: Properties[string]): string | undefined {
  if (typeof href !== 'string' || href === '' || /^[#/]|^%5B%5B/.test(href)) return undefined
  return /^[a-z0-9]/i.test(href) ? withScheme(href) : href
}

function cleaned(properties: Properties): Properties {
  const out: Properties = {}
  for (const [key, value] of Object.entries(properties)) {
    if (dropped.has(key)) continue
    out[key] = key === 'style' && typeof value === 'string' ? declarations(value) : value
  }
  if (out.style === '') delete out.style
  return out
}

/** Declarations that AMP takes. @param without names of those that say nothing here */
function declarations(style: string, without: ReadonlySet<string> = new Set()): string {
  return style
    .split(/;(?![^(]*\))/)
    .filter((d) => {
      const name = d.slice(0, d.indexOf(':')).trim()
      return name && !foreign.test(name) && !without.has(name)
    })
    .map((d) => d.replace(/!important/, ''))
    .join(';')
}

const SIZES = new Set(['width', 'height', 'max-width', 'border'])

/** A picture: AMP lays it out before it is loaded, so it has to know its size. */
function image({ properties }: Element, pass: AmpPass): Element {
  const src = String(properties.src ?? '')
  const known = pass.picture(src)
  const style = String(properties.style ?? '')
  const width = Number(properties.width) || known?.width || 600
  const height =
    Number(properties.height) || (known ? Math.max(1, Math.round((width * known.height) / known.width)) : 0)
  if (!height)
    pass.left.add(`The height of ${src} is not known: it is shown two thirds as high as it is wide`)
  const flows = /(?:^|;)(?:max-)?width:100%/.test(style)
  const { className, alt, title, dataM } = properties
  const anim = known?.moving !== undefined
  const made: Element = {
    type: 'element',
    tagName: anim ? 'amp-anim' : 'amp-img',
    properties: {
      ...(dataM === undefined ? {} : { dataM }),
      className,
      src,
      alt: alt ?? '',
      title,
      width,
      height: height || Math.round((width * 2) / 3),
      layout: flows ? (anim ? 'responsive' : 'intrinsic') : 'fixed',
      style: declarations(style, SIZES) || undefined,
    },
    children: [],
  }
  // One that moves knows no layout that ends at its own width: what is around it does.
  return anim && flows ? el('div', { style: css({ 'max-width': width }) }, made) : made
}
