import { tagsOf } from './tags'

/** Attributes that load what they name, by the element they stand on; of any other element `background` alone. */
const loading: Record<string, readonly string[]> = {
  img: ['src', 'srcset'],
  source: ['src', 'srcset'],
  input: ['src'],
  link: ['href'],
  script: ['src'],
  iframe: ['src'],
  video: ['src', 'poster'],
  audio: ['src'],
  embed: ['src'],
  object: ['data'],
  image: ['href', 'xlink:href'],
}

const remote = /^(?:https?:)?\/\/([\w.-]{1,253})/i
const inStyles = /(?:url\(\s*["']?|@import\s*["'])(?:https?:)?\/\/([\w.-]{1,253})/gi

/** The hosts that a markup would load pictures, sheets, fonts or scripts from, each once. */
export function elsewhereIn(html: string): string[] {
  const hosts = new Set<string>()
  for (const { name, closing, attributes } of tagsOf(html))
    for (const a of closing ? [] : attributes) {
      if (a.name !== 'background' && !loading[name]?.includes(a.name)) continue
      for (const address of a.name === 'srcset' ? a.value.split(',') : [a.value]) {
        const host = remote.exec(address.trim())
        if (host) hosts.add(host[1]!.toLowerCase())
      }
    }
  for (const [, host] of html.matchAll(inStyles)) hosts.add(host!.toLowerCase())
  return [...hosts]
}
