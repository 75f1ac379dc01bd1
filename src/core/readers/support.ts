/** The open support data set, as far as it is read here. */
export interface SupportData {
  last_update_date: string
  data: {
    slug: string
    title: string
    url: string
    stats: Record<string, Record<string, Record<string, string>>>
    notes_by_num?: Record<string, string> | null
  }[]
}

/**
 * The readers that most people read in, as the data set names them: family and platform. Which are the major
 * ones is common practice, no source.
 */
export const majorReaders: readonly { family: string; platform: string; name: string }[] = [
  { family: 'apple-mail', platform: 'macos', name: 'Apple Mail, macOS' },
  { family: 'apple-mail', platform: 'ios', name: 'Apple Mail, iOS' },
  { family: 'gmail', platform: 'desktop-webmail', name: 'Gmail, web' },
  { family: 'gmail', platform: 'ios', name: 'Gmail, iOS' },
  { family: 'gmail', platform: 'android', name: 'Gmail, Android' },
  { family: 'outlook', platform: 'windows', name: 'Outlook, Windows (Word engine)' },
  { family: 'outlook', platform: 'outlook-com', name: 'Outlook.com' },
  { family: 'outlook', platform: 'macos', name: 'Outlook, macOS' },
  { family: 'outlook', platform: 'ios', name: 'Outlook, iOS' },
  { family: 'yahoo', platform: 'desktop-webmail', name: 'Yahoo, web' },
  { family: 'samsung-email', platform: 'android', name: 'Samsung Email' },
]

/** `y` supported, `a` in part, `n` not, `u` unknown. */
export type Mark = 'y' | 'a' | 'n' | 'u'

/**
 * What the newest tested version of a reader makes of a feature. Versions stand in the order in which they
 * were tested.
 */
export function supportOf(
  data: SupportData,
  slug: string,
  reader: { family: string; platform: string },
): Mark {
  const versions = data.data.find((f) => f.slug === slug)?.stats[reader.family]?.[reader.platform]
  const last = versions && Object.values(versions).at(-1)
  const mark = last?.trim()[0]
  return mark === 'y' || mark === 'a' || mark === 'n' ? mark : 'u'
}

/** The readers that do not support a feature at all. */
export const lacking = (data: SupportData, slug: string): string[] =>
  majorReaders.filter((r) => supportOf(data, slug, r) === 'n').map((r) => r.name)

/** What one reader makes of every feature of the data set, by its name. */
export type Marks = Readonly<Record<string, Mark>>

/** What the given readers make of every feature, as it is needed where the data set itself is too large: a letter for each, in their order. */
export interface MarkTable {
  /** The data set's date. */
  at: string
  /** Family and platform, as `apple-mail/ios`. */
  readers: string[]
  features: Record<string, string>
  titles: Record<string, string>
  /** What the set notes where a reader knows a feature in part, by the feature, then by the reader's place. */
  notes: Record<string, Record<string, string>>
}

/** Brings the data set down to what the given readers make of it. */
export const markTable = (
  data: SupportData,
  readers: readonly { family: string; platform: string }[],
): MarkTable => ({
  at: data.last_update_date.slice(0, 10),
  readers: readers.map((r) => `${r.family}/${r.platform}`),
  features: Object.fromEntries(
    data.data.map((f) => [f.slug, readers.map((r) => supportOf(data, f.slug, r)).join('')]),
  ),
  titles: Object.fromEntries(data.data.map((f) => [f.slug, f.title])),
  notes: Object.fromEntries(data.data.map((f) => [f.slug, notesOf(f, readers)])),
})

/** The notes that the marks of the newest versions point to, as `a #2`. */
function notesOf(
  { stats, notes_by_num: notes }: SupportData['data'][number],
  readers: readonly { family: string; platform: string }[],
): Record<string, string> {
  return Object.fromEntries(
    readers.flatMap(({ family, platform }, at) => {
      const last = Object.values(stats[family]?.[platform] ?? {}).at(-1) ?? ''
      const said = [...last.matchAll(/#(\d+)/g)].flatMap(([, n]) => notes?.[n!] ?? [])
      return last.startsWith('a') && said.length ? [[at, said.join(' ')]] : []
    }),
  )
}

/** One reader's column. @param name family and platform; one that is not in the table knows everything */
export function marksOf({ readers, features }: MarkTable, name: string): Marks {
  const at = readers.indexOf(name)
  return Object.fromEntries(
    Object.entries(features).map(([slug, marks]) => [slug, at < 0 ? 'u' : (marks[at] as Mark)]),
  )
}
