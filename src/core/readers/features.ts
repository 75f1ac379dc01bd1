import * as csstree from 'css-tree'
import { fromHtml } from 'hast-util-from-html'
import { elementsOf } from '../html/elements'
import { readStyle } from '../html/stylesheet'

/**
 * What a document uses of HTML and CSS, by the names of the open support data set where it has one:
 * `css-padding`, `html-h1-h6`; else `css:word`.
 */
export type FeatureName = string

/** Elements that the data set counts under a common name. */
const elementNames: Record<string, string> = {
  h1: 'html-h1-h6',
  h2: 'html-h1-h6',
  h3: 'html-h1-h6',
  ul: 'html-lists',
  ol: 'html-lists',
  li: 'html-lists',
  strong: 'html-strong',
  em: 'html-strong',
  img: 'html-img',
  table: 'html-table',
  tr: 'html-table',
  td: 'html-table',
  th: 'html-table',
  tbody: 'html-table',
  thead: 'html-table',
  caption: 'html-table',
  p: 'html-p',
  span: 'html-span',
  div: 'html-div',
  body: 'html-body',
  style: 'html-style',
  picture: 'html-picture',
  source: 'html-picture',
  blockquote: 'html-blockquote',
  a: 'html:a',
  br: 'html:br',
  sup: 'html:sup',
  sub: 'html:sub',
}
const elsewhere = new Set(['html', 'head', 'meta', 'title'])

const attributeNames: Record<string, string> = {
  align: 'html-align',
  vAlign: 'html-valign',
  width: 'html-width',
  height: 'html-height',
  cellPadding: 'html-cellpadding',
  cellSpacing: 'html-cellspacing',
  lang: 'html-lang',
  dir: 'html-dir',
  role: 'html-role',
  ariaLabel: 'html-aria-label',
  ariaHidden: 'html-aria-hidden',
  srcSet: 'html-srcset',
  bgColor: 'html:bgcolor',
  border: 'html:border',
  alt: 'html:alt',
  title: 'html:title',
  scope: 'html:scope',
  tabIndex: 'html:tabindex',
  media: 'html-picture',
  href: '',
  src: '',
  className: '',
  style: '',
  dataM: '',
  ariaRoleDescription: '',
  type: '',
}

/** Longhands that the data set counts under their shorthand, and properties under another name. */
const propertyNames: Record<string, string> = {
  'background-color': 'css-background-color',
  'border-color': 'css-border',
  'border-top': 'css-border',
  'border-right': 'css-border',
  'border-bottom': 'css-border',
  'border-left': 'css-border',
  'font-family': 'css-font',
  'font-style': 'css-font',
  'padding-left': 'css-padding',
  'padding-right': 'css-padding',
  'padding-top': 'css-padding',
  'padding-bottom': 'css-padding',
  'overflow-x': 'css-overflow',
  order: 'css:order',
  color: 'css:color',
}

/** What the data set calls an element. */
export const elementFeature = (name: string, known: (slug: string) => boolean): FeatureName =>
  elementNames[name] ?? (known(`html-${name}`) ? `html-${name}` : `html:${name}`)

/** What the data set calls a property. */
export const propertyFeature = (name: string, known: (slug: string) => boolean): FeatureName =>
  propertyNames[name] ?? (known(`css-${name}`) ? `css-${name}` : `css:${name}`)

/**
 * Every feature of HTML and CSS that compiled documents use, each under one name. @param known whether the
 * data set has a name
 */
export function featuresOf(html: string, known: (slug: string) => boolean): Set<FeatureName> {
  const out = new Set<FeatureName>(['html-doctype', 'html-comments'])
  eachFeature(html, known, (name) => out.add(name))
  return out
}

/** Tells of each use of a feature in a document, in its order. @param o whether it is a piece of one */
export function eachFeature(
  html: string,
  known: (slug: string) => boolean,
  see: (name: FeatureName) => void,
  o: { fragment?: boolean } = {},
): void {
  const property = (name: string, value: string) => {
    see(propertyFeature(name, known))
    if (name === 'display')
      for (const [word, slug] of [
        ['flex', 'css-display-flex'],
        ['none', 'css-display-none'],
      ] as const)
        if (value.includes(word)) see(slug)
    if (/linear-gradient\(/.test(value)) see('css-linear-gradient')
    if (/\bmin\(/.test(value)) see('css-function-min')
    if (/\d%/.test(value)) see('css-unit-percent')
    if (/\dpx/.test(value)) see('css-unit-px')
  }
  const tree = fromHtml(html, o)
  for (const e of elementsOf(tree)) {
    if (elsewhere.has(e.tagName)) {
      if (e.tagName === 'meta' && e.properties.name === 'color-scheme') see('html-meta-color-scheme')
      continue
    }
    see(elementNames[e.tagName] ?? `html:${e.tagName}`)
    for (const name of Object.keys(e.properties)) {
      const slug = attributeNames[name] ?? `html:${name}`
      if (slug) see(slug)
    }
    if (/^mailto:/i.test(String(e.properties.href ?? ''))) see('html-mailto-links')
    if (/reduced-motion/.test(String(e.properties.media ?? ''))) see('css-at-media-prefers-reduced-motion')
    for (const d of readStyle(String(e.properties.style ?? ''))) property(d.property, d.value)
    if (e.tagName === 'style') sheet(e.children.map((c) => (c.type === 'text' ? c.value : '')).join(''))
  }

  function sheet(css: string): void {
    csstree.walk(csstree.parse(css, { parseValue: false, parseAtrulePrelude: false }), (node) => {
      if (node.type === 'Declaration') {
        property(node.property, csstree.generate(node.value))
        if (node.important) see('css-important')
      }
      if (node.type === 'Atrule') {
        see(
          node.name === 'media' && node.prelude && csstree.generate(node.prelude).includes('color-scheme')
            ? 'css-at-media-prefers-color-scheme'
            : `css-at-${node.name}`,
        )
      }
      if (node.type === 'ClassSelector') see('css-selector-class')
      if (node.type === 'AttributeSelector') see('css-selector-attribute')
      if (node.type === 'PseudoClassSelector') see(`css-pseudo-class-${node.name}`)
      if (node.type === 'Combinator') see('css-selector-descendant')
      if (node.type === 'SelectorList' && node.children.size > 1) see('css-selector-grouping')
    })
  }
}
