/** A time zone, as a person looks for it. */
export interface Zone {
  /** IANA: `Europe/Lisbon`. */
  id: string
  /** Its place: `Lisbon`. */
  place: string
  /** Its offset at the moment asked for: `UTC+01:00`. */
  offset: string
  /** What its time is called there: `Western European Summer Time`. */
  name: string
}

/** One part of a moment as a zone writes it. */
const partOf = (id: string, at: Date, timeZoneName: 'long' | 'longOffset'): string =>
  new Intl.DateTimeFormat('en', { timeZone: id, timeZoneName })
    .formatToParts(at)
    .find((p) => p.type === 'timeZoneName')?.value ?? ''

/** A zone in words. Throws a RangeError for a zone that is none. @param at the moment whose offset counts, since summer time changes it */
export function zoneAt(id: string, at: Date): Zone {
  const offset = partOf(id, at, 'longOffset').replace('GMT', 'UTC')
  return {
    id,
    place: id.split('/').at(-1)!.replaceAll('_', ' '),
    offset: offset === 'UTC' ? 'UTC+00:00' : offset,
    name: partOf(id, at, 'long'),
  }
}

/** Small letters, without signs: `utc+1:00`, `UTC +01` and `GMT+1` are found alike. */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace('−', '-')
    .replace(/gmt|utc/, 'utc')
    .replace(/([+-])0?(\d)/, '$1$2')
    .replace(/[/_\s]+/g, ' ')
    .trim()

/**
 * How well a zone answers what was typed: 0 where it does not. By its place, its name, its letters (`CET`) or its offset (`+1`, `+05:30`, `UTC-8`).
 */
export function zoneAnswers(zone: Zone, typed: string): number {
  const asked = plain(typed)
  if (!asked) return 1
  const offset = plain(zone.offset)
  if (/^(utc ?)?[+-]\d/.test(asked)) {
    const [sign, digits = ''] = [/[+-]/.exec(asked)![0], asked.split(/[+-]/)[1]]
    const own = offset.slice(3)
    if (!own.startsWith(sign)) return 0
    const [hours, minutes] = own.slice(1).split(':') as [string, string]
    const [h, m] = digits.split(':') as [string, string | undefined]
    if (h !== hours) return 0
    return m === undefined ? (minutes === '00' ? 1 : 0.5) : minutes.startsWith(m) ? 1 : 0
  }
  const place = plain(zone.place)
  if (place.startsWith(asked)) return 1
  const letters = zone.name
    .split(/[\s-]+/)
    .map((w) => w[0])
    .join('')
    .toLowerCase()
  if (letters === asked || letters.replace('s', '') === asked) return 0.8
  const all = `${plain(zone.id)} ${plain(zone.name)}`
  return asked.split(' ').every((word) => all.includes(word)) ? 0.6 : 0
}
