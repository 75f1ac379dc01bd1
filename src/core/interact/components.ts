import type { ElementContent, Root } from 'hast'
import { el } from '../html/element'
import { tagsOf } from '../html/tags'

/** The parts of AMP for Email that need a line of script each, with the version that is asked for (AMP for Email, "Supported components"). */
export const components: Record<string, { version: string; template?: true }> = {
  'amp-accordion': { version: '0.1' },
  'amp-anim': { version: '0.1' },
  'amp-autocomplete': { version: '0.1' },
  'amp-bind': { version: '0.1' },
  'amp-carousel': { version: '0.1' },
  'amp-fit-text': { version: '0.1' },
  'amp-form': { version: '0.1' },
  'amp-image-lightbox': { version: '0.1' },
  'amp-lightbox': { version: '0.1' },
  'amp-list': { version: '0.1' },
  'amp-mustache': { version: '0.2', template: true },
  'amp-selector': { version: '0.1' },
  'amp-sidebar': { version: '0.1' },
  'amp-timeago': { version: '0.1' },
}

const HOST = 'https://cdn.ampproject.org'

/** The script that every AMP email begins with. */
export const runtimeScript = () => el('script', { async: true, src: `${HOST}/v0.js` })

/** The line of one component. */
export const scriptOf = (name: string) => {
  const { version, template } = components[name]!
  return el('script', {
    async: true,
    [template ? 'custom-template' : 'custom-element']: name,
    src: `${HOST}/v0/${name}-${version}.js`,
  })
}

/** What an element by itself asks for. */
function asks(tagName: string, properties: Record<string, unknown>): string[] {
  const names: string[] = []
  if (components[tagName]) names.push(tagName)
  if (tagName === 'form') names.push('amp-form')
  if (tagName === 'amp-state') names.push('amp-bind')
  if (tagName === 'template') names.push('amp-mustache')
  for (const [key, value] of Object.entries(properties))
    if (key.startsWith('[') || (key === 'on' && /AMP\.(setState|pushState)/.test(String(value))))
      names.push('amp-bind')
  return names
}

/** The components that nodes use, by name, in their order. */
export function componentsIn(nodes: readonly (ElementContent | Root['children'][number])[]): string[] {
  const found = new Set<string>()
  const left = [...nodes]
  for (let node = left.pop(); node; node = left.pop()) {
    if (node.type === 'element') asks(node.tagName, node.properties).forEach((n) => found.add(n))
    if (node.type === 'element' && node.content) left.push(...node.content.children)
    if ('children' in node) left.push(...(node.children as ElementContent[]))
  }
  return [...found].sort()
}

/** The components that a text uses, by name, in their order. */
export function componentsOfText(html: string): string[] {
  const found = tagsOf(html)
    .filter((t) => !t.closing)
    .flatMap((t) => asks(t.name, Object.fromEntries(t.attributes.map((a) => [a.name, a.value]))))
  return [...new Set(found)].sort()
}
