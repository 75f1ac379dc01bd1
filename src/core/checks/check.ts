import type { Root } from 'hast'
import type { RoleStyle, Style } from '../email/cascade'
import type { Edit } from '../email/edits'
import type { Ground } from '../email/ground'
import type { Band, Email } from '../email/schema'
import type { Tile } from '../email/tile'
import type { PictureLook } from '../night/look'

/** The stages a finding can be mended in. */
export type Stage = 'cut' | 'compose' | 'motion' | 'night' | 'interact' | 'proof' | 'handover'

/** `mend`: the email should not leave so. `mind`: worth a thought. */
export type Severity = 'mend' | 'mind'

/** Where a finding is: a band, a tile in it, or one of the email's own values. */
export interface Where {
  band?: string
  tile?: string
  value?: 'subject' | 'preheader'
}

/** What a check says of one matter. */
export interface Found {
  severity: Severity
  stage: Stage
  /** What, one short sentence. */
  what: string
  /** Why it matters, and what to do. */
  why: string
  /** Left out: the tile that was looked at, or the email. */
  where?: Where
  /** Tells several matters in one place apart, such as the address of a link. */
  key?: string
  /** A change that mends it in one press. */
  fix?: { label: string; edit: Edit }
}

/** What a check found, with where. */
export interface Finding extends Omit<Found, 'key'> {
  /** Made of the check, the place and the matter: the same as long as these are, whatever else is found. */
  id: string
  check: string
  where: Where
  /** Why somebody leaves it as it is. */
  muted?: string
}

/** A tile in its surroundings. */
export interface TileScope {
  band: Band
  tile: Tile
  /** What stands behind it. */
  ground: Ground
  /** What the bands of its role inherit. */
  look: RoleStyle
  style: Style
}

export type PictureLooks = (id: string) => PictureLook | undefined

/** The whole email. Without bands where another way of writing counts. */
export interface EmailScope {
  email: Email
  /** House style with the email's own values over it. */
  style: Style
  /** The compiled email as it will be handed over. */
  html: string
  /** Its size, bytes in UTF-8. */
  bytes: number
  /** What is known of the pixels of a picture, by its id; undefined where it was not measured yet. */
  looks: PictureLooks
  /** The HTML that was written by hand, read once for all checks; null where it is not what counts. */
  hand: () => Root | null
}

/** One rule: its name, one line on what it is for, and functions that look. */
export interface Check {
  name: string
  about: string
  /** Looks at every tile, and at nothing but it and its surroundings: what is found is remembered with the band. */
  tile?: (scope: TileScope) => Found[]
  /** Looks at the email as a whole. */
  email?: (scope: EmailScope) => Found[]
}
