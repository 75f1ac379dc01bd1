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
