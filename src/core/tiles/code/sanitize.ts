import type { ElementContent } from 'hast'
import { defaultSchema, sanitize, type Schema } from 'hast-util-sanitize'
import { elementsOf } from '../../html/elements'
import { el } from '../../html/element'

/**
 * What email markup may hold beyond what is safe in any page: the attributes of its layout, and forms for
 * readers that know them.
 */
const schema: Schema = {
  ...defaultSchema,
  // Ids and names stand as they were written: labels and anchors need them, and no script is there to be
  // misled.
  clobber: [],
  clobberPrefix: '',
  ancestors: {},
  allowComments: true,
  tagNames: [
    ...defaultSchema.tagNames!,
    'center',
    'font',
    'u',
    'big',
    'small',
    'abbr',
    'address',
    'article',
    'aside',
    'header',
    'footer',
    'main',
    'nav',
    'figure',
    'figcaption',
    'mark',
    'wbr',
    'bdi',
    'bdo',
    'caption',
    'col',
    'colgroup',
    'map',
    'area',
    'marquee',
    'form',
    'input',
    'label',
    'button',
    'select',
    'option',
    'optgroup',
    'textarea',
    'fieldset',
    'legend',
    'video',
    'audio',
    'source',
    'style',
  ],
  attributes: {
    ...Object.fromEntries(
      Object.entries(defaultSchema.attributes!).map(([tag, list]) => [
        tag,
        list.filter((a) => !Array.isArray(a)),
      ]),
    ),
    '*': [
      ...defaultSchema.attributes!['*']!.filter((a) => typeof a === 'string'),
      'style',
      'className',
      'id',
      'lang',
      'dir',
      'role',
      'hidden',
      'title',
      'tabIndex',
      'background',
      'bgColor',
      'face',
      'color',
      'size',
      'border',
      'width',
      'height',
      'align',
      'vAlign',
      'cellPadding',
      'cellSpacing',
      'noWrap',
      'media',
      'type',
      'name',
      'htmlFor',
      'checked',
      'value',
      'placeholder',
      'required',
      'disabled',
      'selected',
      'multiple',
      'method',
      'action',
      'target',
      'rel',
      'poster',
      'controls',
      'autoPlay',
      'loop',
      'muted',
      'playsInline',
      'useMap',
      'shape',
      'coords',
      'alt',
      'srcSet',
      'scope',
      'aria*',
      'data*',
    ],
    input: [],
  },
  protocols: {
    href: ['http', 'https', 'mailto', 'tel', 'sms'],
    src: ['http', 'https', 'cid', 'data'],
    background: ['http', 'https', 'cid'],
    poster: ['http', 'https', 'cid'],
    action: ['http', 'https'],
    cite: ['http', 'https'],
    longDesc: ['http', 'https'],
  },
  strip: ['script', 'iframe', 'object', 'embed', 'applet', 'title', 'noscript', 'template', 'svg', 'math'],
  required: {},
}

/** How often each element, and each attribute of one, stands in a markup. */
function inventory(nodes: readonly ElementContent[]): Map<string, number> {
  const out = new Map<string, number>()
  const see = (what: string) => out.set(what, (out.get(what) ?? 0) + 1)
  for (const e of elementsOf(el('div', null, [...nodes]))) {
    see(e.tagName)
    for (const name of Object.keys(e.properties)) see(`${e.tagName} ${name}`)
  }
  return out
}

/**
 * Markup without anything that could run, by a list of what is allowed (hast-util-sanitize): scripts, event
 * handlers, addresses that run script, embedded pages.
 * @returns the markup, and what was left out, a sentence each
 */
export function safeMarkup(nodes: ElementContent[]): { nodes: ElementContent[]; notes: string[] } {
  const clean = sanitize({ type: 'root', children: nodes }, schema)
  const kept =
    clean.type === 'root' ? clean.children.filter((c): c is ElementContent => c.type !== 'doctype') : []
  const before = inventory(nodes),
    after = inventory(kept)
  const lost = (what: string) => (before.get(what) ?? 0) - (after.get(what) ?? 0)
  const tags = [...before.keys()].filter((x) => !x.includes(' ') && lost(x) > 0)
  // Attributes that went without their element.
  const attributes = [...before.keys()].filter((x) => x.includes(' ') && lost(x) > lost(x.split(' ')[0]!))
  return {
    nodes: kept,
    notes: [
      ...tags.map(
        (t) =>
          `<${t}> was left out: ${t === 'script' ? 'email readers run no script' : 'it does not belong in the body of an email'}.`,
      ),
      ...attributes.map((x) => {
        const [tag, name] = x.split(' ') as [string, string]
        return `${name} on <${tag}> was left out: it could run script, or says nothing in an email.`
      }),
    ],
  }
}
