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
