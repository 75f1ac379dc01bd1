import type { Parts } from '../compile'
import { branchOf } from '../html/conditional'
import { fallbacks } from './fallbacks'
import { eachFeature, type FeatureName } from './features'
import { profiles } from './profiles'
import type { Mark, MarkTable } from './support'

/** What of an email needs a feature, and what its readers make of it. */
export interface FeatureUse {
  slug: FeatureName
  title: string
  /** How often it stands there. */
  count: number
  /** The bands it stands in, in their order; none where it stands around them alone. */
  bands: string[]
  /** Names of readers, by what they make of it. */
  by: Record<Mark, string[]>
  /** What is noted of those that know it in part. */
  notes: string[]
  /** What is seen instead. */
  instead: string | null
}

/**
 * Every feature that an email uses and some of its readers lack, or know in part, that which most lack first. @param readers names of
 * profiles to look at; all unless said
 */
export function usesOf(parts: Parts, table: MarkTable, readers?: ReadonlySet<string>): FeatureUse[] {
  const known = (slug: string) => slug in table.features
  const found = new Map<FeatureName, { count: number; bands: Set<string> }>()
  const look = (html: string, band?: string) =>
    eachFeature(
      others(html),
      known,
      (slug) => {
        if (!known(slug)) return
        const use = found.get(slug) ?? { count: 0, bands: new Set<string>() }
        use.count++
        if (band) use.bands.add(band)
        found.set(slug, use)
      },
      { fragment: band !== undefined },
    )
  look(`${parts.before}${parts.after}`)
  for (const { id, html } of parts.bands) look(html, id)
  const looked = profiles.filter((p) => p.data && (!readers || readers.has(p.name)))
  const uses = [...found].map(([slug, { count, bands }]): FeatureUse => {
    const by: FeatureUse['by'] = { y: [], a: [], n: [], u: [] }
    const notes = new Set<string>()
    for (const { name, data } of looked) {
      const at = table.readers.indexOf(data!)
      by[(table.features[slug]![at] as Mark | undefined) ?? 'u'].push(name)
      const note = table.notes[slug]?.[at]
      if (note) notes.add(note)
    }
    return {
      slug,
      title: table.titles[slug] ?? slug,
      count,
      bands: [...bands],
      by,
      notes: [...notes],
      instead: fallbacks[slug] ?? null,
    }
  })
  return uses
    .filter((u) => u.by.n.length + u.by.a.length > 0)
    .sort(
      (a, b) => b.by.n.length - a.by.n.length || b.by.a.length - a.by.a.length || (a.slug < b.slug ? -1 : 1),
    )
}

/** What all but the Word engine see; broken conditions are passed over. */
function others(html: string): string {
  try {
    return branchOf(html, 'others')
  } catch (error) {
    if (error instanceof SyntaxError) return html
    throw error
  }
}
