import type { CssNode } from 'css-tree'
import generate from 'css-tree/generator'
import type { Element, ElementContent } from 'hast'
import { elementFeature, propertyFeature, type FeatureName } from '../features'
import type { Marks } from '../support'
import { restyle, type Effect, type Habit } from './habit'
import { withoutRules } from './head'

/** What is seen where a feature is lacking, and how much it matters; of the others nothing is said. */
const seen: Record<FeatureName, [says: string, weight: number]> = {
  'html-style': ['no styles of the head', 9],
  'css-at-media': ['keeps its wide layout on phones', 8],
  'css-background-image': ['no pictures behind', 7],
  'css-linear-gradient': ['gradients are plain', 6],
  'html-form': ['no forms', 6],
  'html-input-checkbox': ['parts that answer stand still', 6],
  'css-border-radius': ['corners are square', 5],
  'css-at-font-face': ['no web fonts', 4],
  'html-video': ['no video', 4],
  'css-display-flex': ['columns as tall as they are', 3],
  'css-at-media-prefers-color-scheme': ['the email’s own night is not heard', 3],
  'css-letter-spacing': ['letters stand close', 2],
  'css-text-transform': ['capitals as they were written', 2],
  'css-box-shadow': ['no shadows', 2],
  'css-pseudo-class-hover': ['nothing changes under a pointer', 1],
}

/** Elements that are nothing without what they are. */
const whole = new Set([
  'svg',
  'object',
  'audio',
  'input',
  'select',
  'textarea',
  'source',
  'progress',
  'meter',
])

/** Elements whose loss would be that of the whole message. */
const kept = new Set('html head body title meta style table tbody thead tr td th img'.split(' '))

/** Functions that the data set looks at by themselves. */
const functions: [pattern: RegExp, feature: FeatureName][] = [
  [/linear-gradient\(/, 'css-linear-gradient'],
  [/radial-gradient\(/, 'css-radial-gradient'],
  [/\bmin\(/, 'css-function-min'],
  [/\bmax\(/, 'css-function-max'],
  [/\bclamp\(/, 'css-function-clamp'],
  [/\bcalc\(/, 'css-unit-calc'],
]

/** Attributes that matter to how a message looks. */
const attributes: [property: string, feature: FeatureName][] = [
  ['srcSet', 'html-srcset'],
  ['align', 'html-align'],
  ['vAlign', 'html-valign'],
  ['background', 'html-background'],
  ['dir', 'html-dir'],
]

/**
 * All that a reader does not know, by the open data set: an unknown property is passed over (CSS Syntax 3, 9), an unknown element gives
 * way to what it holds, rules of an unknown kind go. What it knows in part is left; where the part matters its profile says so.
 * @param marks of this reader @param at the data set's date
 */
export function lacks(marks: Marks, at: string): Habit {
  const known = (slug: string) => slug in marks
  const isLacking = (slug: string) => marks[slug] === 'n'
  const effects = new Map<FeatureName, Effect>()
  const effectOf = (slug: FeatureName): Effect => {
    let effect = effects.get(slug)
    if (!effect) {
      const [says, weight] = seen[slug] ?? ['', 0]
      effect = { says, weight, rests: `${slug}: the open data set on email support, ${at}` }
      if (slug === 'css-at-media') effect.narrow = true
      if (slug === 'css-at-media-prefers-color-scheme') effect.night = true
      effects.set(slug, effect)
    }
    return effect
  }
  /** The first lacking feature that a declaration needs. */
  const ofDeclaration = (property: string, value: string): FeatureName | undefined =>
    [
      ...functions.flatMap(([pattern, slug]) => (pattern.test(value) ? [slug] : [])),
      propertyFeature(property, known),
      `css-${property}-${value.trim()}`,
      ...(property === 'display' && value.includes('flex') ? ['css-display-flex'] : []),
    ].find(isLacking)
  const ofRule = (n: CssNode): FeatureName | undefined => {
    if (n.type === 'Declaration') return ofDeclaration(n.property, generate(n.value))
    if (n.type === 'Atrule')
      return atRuleFeatures(n.name, n.prelude ? generate(n.prelude) : '').find(isLacking)
    return n.type === 'Rule' ? selectorFeatures(generate(n.prelude)).find(isLacking) : undefined
  }
  return {
    says: '',
    rests: `The open data set on email support, ${at}.`,
    weight: 0,
    element(e, tell) {
      const gone = withoutAttributes(e, isLacking)
      gone.forEach((slug) => tell(effectOf(slug)))
      restyle(e, (d) => {
        const slug = ofDeclaration(d.property, d.value)
        if (slug) tell(effectOf(slug))
        return slug ? null : d
      })
      const slug =
        e.tagName === 'input'
          ? `html-input-${String(e.properties.type ?? 'text')}`
          : elementFeature(e.tagName, known)
      if (kept.has(e.tagName) || !isLacking(slug)) return undefined
      tell(effectOf(slug))
      return whole.has(e.tagName) ? [] : (e.children satisfies ElementContent[])
    },
    sheet(css, tell) {
      if (isLacking('html-style')) {
        tell(effectOf('html-style'))
        return null
      }
      return withoutRules(css, (n) => {
        const slug = ofRule(n)
        if (slug) tell(effectOf(slug))
        return slug !== undefined
      })
    },
  }
}

/** Takes attributes away. @returns the features they were */
function withoutAttributes(e: Element, isLacking: (slug: string) => boolean): FeatureName[] {
  return attributes.flatMap(([name, slug]) => {
    if (e.properties[name] === undefined || !isLacking(slug)) return []
    delete e.properties[name]
    return [slug]
  })
}

const atRuleFeatures = (name: string, prelude: string): FeatureName[] => [
  `css-at-${name}`,
  ...['prefers-color-scheme', 'prefers-reduced-motion', 'orientation', 'hover'].flatMap((asked) =>
    name === 'media' && prelude.includes(asked) ? [`css-at-media-${asked}`] : [],
  ),
]

const selectorFeatures = (selector: string): FeatureName[] => [
  ...[...selector.matchAll(/::?([a-z-]+)/g)].flatMap(([, name]) => [
    `css-pseudo-class-${name}`,
    `css-pseudo-element-${name}`,
  ]),
  ...(selector.includes('[') ? ['css-selector-attribute'] : []),
]
