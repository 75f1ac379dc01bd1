import { treeOf } from '#reading'
import type { Style } from '../email/cascade'
import { groundsOf } from '../email/ground'
import { remembered } from '../email/remember'
import type { Band, ByHand, Email } from '../email/schema'
import type { Check, EmailScope, Finding, Found, PictureLooks } from './check'

/** How much of a matter's own words goes into its id, characters. */
const KEY_LENGTH = 80

/** What the tile checks found in one band, by check. */
type BandFindings = ReadonlyMap<Check, readonly Found[]>

interface Around {
  style: Style
  /** The picture behind the email. */
  behind: Email['behind']
}

/** Remembered as long as the band, the styles it inherits and what lies behind it are the same. */
const known = new WeakMap<Band, Around & { checks: readonly Check[]; found: BandFindings }>()

/** One walk over the tiles of a band for all checks. */
function findingsIn(band: Band, { style, behind }: Around, checks: readonly Check[]): BandFindings {
  const before = known.get(band)
  if (before?.style === style && before.behind === behind && before.checks === checks) return before.found
  const found = new Map<Check, Found[]>()
  const look = style.roles[band.role]
  for (const [tile, ground] of groundsOf(band, style, behind))
    for (const check of checks) {
      const said = check.tile?.({ band, tile, ground, look, style }) ?? []
      const place = { band: band.id, tile: tile.id }
      if (said.length)
        found.set(check, [...(found.get(check) ?? []), ...said.map((f) => ({ where: place, ...f }))])
    }
  known.set(band, { checks, style, behind, found })
  return found
}

const handTree = remembered((hand: ByHand) => treeOf(hand.html))

/** What checks look at. @param html as it will be handed over @param bytes of it */
export function scopeOf(
  email: Email,
  style: Style,
  html: string,
  bytes: number,
  looks: PictureLooks = () => undefined,
): EmailScope {
  // An email written by hand or as plain text keeps its bands, but they are not what is sent.
  const seen = email.way === 'bands' ? email : { ...email, bands: [] }
  return {
    email: seen,
    style,
    html,
    bytes,
    looks,
    hand: () => (email.way === 'hand' && email.hand ? handTree(email.hand) : null),
  }
}

/** Runs the checks of tiles band by band, for who has to give way between them; what they find is remembered. */
export function* checkedByBand(checks: readonly Check[], { email, style }: EmailScope): Generator<void> {
  for (const band of email.bands) {
    findingsIn(band, { style, behind: email.behind }, checks)
    yield
  }
}

/** Runs checks. What has to be mended comes first, then in the email's own order. */
export function runChecks(checks: readonly Check[], scope: EmailScope): Finding[] {
  const { email, style } = scope
  const inBands = email.bands.map((b) => findingsIn(b, { style, behind: email.behind }, checks))
  return settle(
    email,
    checks.map((check) => [
      check,
      [...inBands.flatMap((found) => found.get(check) ?? []), ...(check.email?.(scope) ?? [])],
    ]),
  )
}

/** Findings with their ids and the reasons for which they are muted, in order. */
function settle(email: Email, found: [Check, readonly Found[]][]): Finding[] {
  const order = new Map(email.bands.map((b, i) => [b.id, i]))
  const reasons = new Map((email.muted ?? []).map((m) => [m.finding, m.reason]))
  const taken = new Map<string, number>()
  /** The same matter twice in one place is counted. */
  const idOf = (check: Check, f: Found): string => {
    const place = f.where?.tile ?? f.where?.band ?? f.where?.value ?? 'email'
    const id = [check.name, place, ...(f.key ? [f.key.slice(0, KEY_LENGTH)] : [])].join(':')
    const times = (taken.get(id) ?? 0) + 1
    taken.set(id, times)
    return times > 1 ? `${id}:${times}` : id
  }
  const rank = (f: Finding) =>
    (f.severity === 'mend' ? 0 : 1e6) + (f.where.band ? 1 + (order.get(f.where.band) ?? 0) : 0)
  return found
    .flatMap(([check, list]) =>
      list.map((f): Finding => {
        const { key: _, ...said } = f
        const id = idOf(check, f)
        const muted = reasons.get(id)
        return { ...said, id, check: check.name, where: f.where ?? {}, ...(muted ? { muted } : {}) }
      }),
    )
    .sort((a, b) => rank(a) - rank(b))
}
