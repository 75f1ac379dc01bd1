import { randomBytes } from 'node:crypto'
import { and, count, desc, eq } from 'drizzle-orm'
import { newId } from '@/core/email/defaults'
import type { Email } from '@/core/email/schema'
import { selectionExists } from '@/core/email/walk'
import type { HouseStyle } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'
import { db } from '../db'
import { approvals, remarks, shares } from '../db/schema'
import { jobOf } from '../jobs/jobs'
import { emailOf } from '../jobs/proof'
import { notFound, Problem } from '../problem'

type ShareRow = typeof shares.$inferSelect
type RemarkRow = typeof remarks.$inferSelect

/** A yes to an email: who said it, when, and to which revision. */
export interface Yes {
  by: string
  at: string
  revision: number
}
export interface Share {
  id: string
  createdAt: string
  expiresAt: string
  revokedAt: string | null
  /** The latest yes under it. */
  yes: Yes | null
}
/** Every yes is kept, with the link it came under. */
export type Approval = Yes & { share: string }
export type Remark = Omit<RemarkRow, 'jobId' | 'shareId'>

const DAY = 24 * 3600_000
/** Bytes of chance in a link: nobody guesses 160 bits. */
const CHANCE = 20
/** Remarks that one link takes, so that one in wrong hands silences no other. */
export const MOST_REMARKS = 300
/** How often yes is kept under one link. */
export const MOST_YES = 50

/** The yeses to a job's email, the latest first. */
const approvalsOf = (jobId: string): Approval[] =>
  db()
    .select({ by: approvals.by, at: approvals.at, revision: approvals.revision, share: approvals.shareId })
    .from(approvals)
    .where(eq(approvals.jobId, jobId))
    .orderBy(desc(approvals.at))
    .all()

const yesOf = ({ id, jobId }: Pick<ShareRow, 'id' | 'jobId'>): Yes | null => {
  const last = approvalsOf(jobId).find((a) => a.share === id)
  return last ? { by: last.by, at: last.at, revision: last.revision } : null
}

const aboutShare = (row: ShareRow): Share => ({
  id: row.id,
  createdAt: row.createdAt,
  expiresAt: row.expiresAt,
  revokedAt: row.revokedAt,
  yes: yesOf(row),
})
const aboutRemark = ({ jobId: _, shareId: __, ...remark }: RemarkRow): Remark => remark

const remarksOf = (jobId: string): Remark[] =>
  db().select().from(remarks).where(eq(remarks.jobId, jobId)).orderBy(desc(remarks.at)).all().map(aboutRemark)

/** The links of a job, each yes and what was remarked under them, the latest first. */
export function approvalOf(jobId: string): {
  shares: Share[]
  approvals: Approval[]
  remarks: (Remark & { share: string })[]
} {
  jobOf(jobId)
  const links = db()
    .select()
    .from(shares)
    .where(eq(shares.jobId, jobId))
    .orderBy(desc(shares.createdAt))
    .all()
  const said = db().select().from(remarks).where(eq(remarks.jobId, jobId)).orderBy(desc(remarks.at)).all()
  return {
    shares: links.map(aboutShare),
    approvals: approvalsOf(jobId),
    remarks: said.map((r) => ({ ...aboutRemark(r), share: r.shareId })),
  }
}

/** Makes a link to a job's email. @param days how long it is good */
export function makeShare(jobId: string, days: number): Share {
  emailOf(jobId)
  const now = Date.now()
  const row: ShareRow = {
    id: randomBytes(CHANCE).toString('base64url'),
    jobId,
    createdAt: new Date(now).toISOString(),
    expiresAt: new Date(now + days * DAY).toISOString(),
    ...{ revokedAt: null, yesBy: null, yesAt: null, yesRevision: null },
  }
  db().insert(shares).values(row).run()
  return aboutShare(row)
}

/** Takes a link back. Throws a Problem (404) where the job has none of that id. */
export function revokeShare(jobId: string, id: string): void {
  const of = and(eq(shares.jobId, jobId), eq(shares.id, id))
  const { changes } = db().update(shares).set({ revokedAt: new Date().toISOString() }).where(of).run()
  if (!changes) throw notFound('link', id)
}

/** Settles a remark, or takes it up again. */
export function settleRemark(jobId: string, id: string, settled: boolean): void {
  const of = and(eq(remarks.jobId, jobId), eq(remarks.id, id))
  const settledAt = settled ? new Date().toISOString() : null
  if (!db().update(remarks).set({ settledAt }).where(of).run().changes) throw notFound('remark', id)
}

/** A link that is good. Throws a Problem (404), the same for one that is over, taken back, or never was. */
function goodShare(id: string, now = Date.now()): ShareRow {
  const row = db().select().from(shares).where(eq(shares.id, id)).get()
  if (!row || row.revokedAt || Date.parse(row.expiresAt) < now)
    throw new Problem(
      404,
      'link-over',
      'This link opens nothing',
      'It is over, or was taken back. Ask whoever sent it for a new one.',
    )
  return row
}

/** What the page of a link shows. */
export interface Shared {
  name: string
  client: string
  revision: number
  email: Email
  house: HouseStyle
  design: PictureRef | null
  expiresAt: string
  remarks: Remark[]
  yes: Yes | null
  open: number
}

/** What the page of a link shows, without what is the freelancer's own: reasons, recipients, earlier ways of writing. */
export function sharedOf(id: string, now?: number): Shared {
  const share = goodShare(id, now)
  const job = jobOf(share.jobId)
  const { body, revision, client } = emailOf(share.jobId)
  const { muted: _, recipients: __, ...email } = body
  const list = remarksOf(share.jobId)
  return {
    ...{ name: job.name, client: client.name, house: client.house, revision, email },
    design: job.design,
    expiresAt: share.expiresAt,
    remarks: list,
    yes: yesOf(share),
    open: list.filter((r) => !r.settledAt).length,
  }
}

/** Whether a picture is one that the page of a link shows. */
export function showsPicture(id: string, picture: string): boolean {
  const { email, design } = sharedOf(id)
  return design?.id === picture || JSON.stringify(email).includes(`"${picture}"`)
}

/** Whether a font is one of the house style that the page of a link shows its email in. */
export const showsFont = (id: string, font: string): boolean =>
  sharedOf(id).house.webFonts.some((f) => f.files.some((file) => file.kept === font))

/** Pins a remark. Throws a Problem (422) where its place is not in the email, (429) where there are too many. */
export function addRemark(
  id: string,
  what: { band: string; tile?: string; lens: string; by: string; said: string },
): Remark[] {
  const { jobId } = goodShare(id)
  const { body } = emailOf(jobId)
  if (!selectionExists(body, what.band, what.tile))
    throw new Problem(
      422,
      'no-such-place',
      'This place is gone',
      'The email has changed. Load the page again.',
    )
  const here = db().select({ n: count() }).from(remarks).where(eq(remarks.shareId, id)).get()
  if (here!.n >= MOST_REMARKS)
    throw new Problem(
      429,
      'too-many',
      'There are too many remarks',
      `At most ${MOST_REMARKS} are kept under one link. Ask whoever sent it for another.`,
    )
  const { band, tile = null, lens, by, said } = what
  const row: RemarkRow = {
    ...{ id: newId(), jobId, shareId: id, band, tile, lens, by, said },
    at: new Date().toISOString(),
    settledAt: null,
  }
  db().insert(remarks).values(row).run()
  return remarksOf(jobId)
}

/** Says yes to the email as it was looked at. Throws a Problem (409) where it is another by now. */
export function sayYes(id: string, by: string, revision: number): Yes {
  const { jobId } = goodShare(id)
  const now = emailOf(jobId).revision
  if (now !== revision)
    throw new Problem(
      409,
      'stale-revision',
      'The email has changed meanwhile',
      'Load the page again, and look at it as it is now.',
      { revision: now },
    )
  const said = db().select({ n: count() }).from(approvals).where(eq(approvals.shareId, id)).get()
  if (said!.n >= MOST_YES)
    throw new Problem(
      429,
      'too-many',
      'It was said often enough',
      `A yes is kept ${MOST_YES} times under one link.`,
    )
  const row = { id: newId(), jobId, shareId: id, by, at: new Date().toISOString(), revision }
  db().insert(approvals).values(row).run()
  return { by, at: row.at, revision }
}
