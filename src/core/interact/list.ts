import type { LiveTile } from '../tiles/live/schema'

/** What stands in JSON under a path such as `data.items`; the whole under an empty one. */
export function valueAt(json: unknown, path: string): unknown {
  let at = json
  for (const step of path.split('.').filter((s) => s && s !== '.')) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, step)) return undefined
    at = (at as Record<string, unknown>)[step]
  }
  return at
}

const kind = (value: unknown): string =>
  value === null
    ? 'null'
    : Array.isArray(value)
      ? 'a list'
      : typeof value === 'object'
        ? 'an object'
        : `a ${typeof value === 'string' ? 'text' : typeof value}`

/** What stands where nothing was found, so that one can name the right place. */
const names = (json: unknown): string => {
  if (typeof json !== 'object' || json === null || Array.isArray(json)) return `It answered ${kind(json)}.`
  const listed = Object.entries(json)
    .slice(0, 8)
    .map(([name, value]) => `"${name}" (${kind(value)})`)
  return listed.length ? `It answered ${listed.join(', ')}.` : 'It answered an empty object.'
}

/**
 * Why what was answered is no list for `amp-list`; null where it is one (AMP, "amp-list": "items", "single-item"). @param body JSON
 * @param path where the list stands; empty or ".": the whole @param single whether one entry alone is taken for a list of one
 */
export function whyNoList(body: string, path: string, single = false): string | null {
  let json: unknown
  try {
    json = JSON.parse(body)
  } catch {
    return 'What it answered is not valid JSON.'
  }
  const found = valueAt(json, path)
  const where = path && path !== '.' ? `Under "${path}"` : 'In what it answered'
  if (found === undefined) return `${where} there is nothing. ${names(json)}`
  if (Array.isArray(found)) return found.length ? null : `${where} stands a list without entries.`
  if (single) return null
  return `${where} stands ${kind(found)}, and a list is wanted${typeof found === 'object' && found ? ' (or "single-item", which takes one object)' : ''}.`
}

const said = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value).slice(0, 200) : ''

/** The lines of a list as a live tile keeps them. @param body JSON; none where it is no list */
export function rowsOf(body: string, tile: LiveTile): LiveTile['rows'] {
  let json: unknown
  try {
    json = JSON.parse(body)
  } catch {
    return []
  }
  const found = valueAt(json, tile.items)
  const list = Array.isArray(found) ? (found as unknown[]) : []
  return list.slice(0, tile.most).map((entry) => {
    const of = (name: string) => (name ? said(valueAt(entry, name)) : '')
    const link = of(tile.link)
    return {
      title: of(tile.title),
      text: of(tile.text),
      price: of(tile.price),
      link: /^https?:\/\//i.test(link) ? link : '',
    }
  })
}
