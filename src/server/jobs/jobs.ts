import { and, desc, eq, getTableColumns, max, sql, type SQL } from 'drizzle-orm'
import { alias } from 'drizzle-orm/sqlite-core'
import { newId } from '@/core/email/defaults'
import { db } from '../db'
import { clients, deliveries, documents, figures, jobs, pictures } from '../db/schema'
import { noteUses, ownerOf } from '../db/uses'
import { notFound, Problem } from '../problem'
import { pictureInfo, refOf } from '../pictures/store'
import type { DesignLayers } from '@/core/cut/layers'
import type { PictureRef } from '@/core/picture/ref'
import { clientOf, type Client } from './clients'
import type { KnownFigures } from '../pool/proof'
import { figuresOf } from './figures'

/** The picture that the designer sent. */
export interface Design extends PictureRef {
  name: string
  /** Design pixels for each px of the email. */
  scale: number
  /** Whether its file carries words. */
  worded: boolean
}

export interface Job {
  id: string
  name: string
  client: Client
  /** px */
  width: number
  due: string | null
  archived: boolean
  /** Whether its previews may load pictures and fonts from elsewhere. */
  remote: boolean
  /** Null where it began without one. */
  design: Design | null
  /** The narrow design of the same email. */
  narrow: (PictureRef & { name: string }) | null
  /** The design that the present one replaced. */
  before: PictureRef | null
  createdAt: string
  updatedAt: string
}

/** A job's design. Throws a Problem (409) where it has none. */
export function designOf(job: Job): Design {
  if (job.design) return job.design
  throw new Problem(
    409,
    'no-design',
    'This job has no design',
    `"${job.name}" was begun without one, so there is nothing to cut. Give it a design first: Files, in Cut.`,
  )
}

/** How far a job is, told by what there is of it. */
export type JobState = 'design' | 'cut' | 'composing' | 'ready' | 'handed over'

export interface JobSummary extends Omit<Job, 'client'> {
  client: { id: string; name: string }
  state: JobState
  cutCount: number
  toMend: number
  toMind: number
  /** Why its documents cannot be read or compiled; null where all is well. */
  trouble: string | null
  emailRevision: number
}

/** One job. Throws a Problem (404) where there is none of that id. */
export function jobOf(id: string): Job {
  const row = db().select().from(jobs).where(eq(jobs.id, id)).get()
  if (!row) throw notFound('job', id)
  const design = row.designId ? pictureInfo(row.designId) : null
  return {
    id: row.id,
    name: row.name,
    client: clientOf(row.clientId),
    width: row.width,
    due: row.due,
    archived: row.archived,
    remote: row.remote,
    design: design && {
      ...design,
      name: row.designName,
      scale: design.width / row.width,
      worded: !!row.layers?.texts?.length,
    },
    narrow: row.narrowId ? { ...pictureInfo(row.narrowId), name: row.narrowName ?? '' } : null,
    before: row.beforeId ? pictureInfo(row.beforeId) : null,
    createdAt: row.createdAt,
    updatedAt: row.updatedAt,
  }
}

/** How far a job is. @param handed the latest revision that was handed over */
function stateOf(f: KnownFigures, emailRevision: number, handed: number): JobState {
  if (!emailRevision) return f.cutCount ? 'cut' : 'design'
  if (f.trouble || f.toMend) return 'composing'
  return handed >= emailRevision ? 'handed over' : 'ready'
}

/** The latest revision of each job that was handed over. */
const handedOver = () =>
  db()
    .select({ jobId: deliveries.jobId, revision: max(deliveries.revision).as('handed') })
    .from(deliveries)
    .where(eq(deliveries.state, 'done'))
    .groupBy(deliveries.jobId)
    .as('handed')

const wide = alias(pictures, 'wide')
const slim = alias(pictures, 'slim')
const former = alias(pictures, 'former')
const email = alias(documents, 'email')
const cuts = alias(documents, 'cuts')

/** All that the wall shows of jobs, in one query; the latest changed first, unless another order is asked for. */
function rowsOf(where: SQL, order: SQL[] = [desc(jobs.updatedAt)], most = -1) {
  const handed = handedOver()
  return db()
    .select({
      job: {
        ...getTableColumns(jobs),
        layers: sql<number>`case when json_valid(${jobs.layers}) then json_array_length(${jobs.layers}, '$.texts') end`,
      },
      client: { id: clients.id, name: clients.name },
      wide,
      slim,
      former,
      emailRevision: email.revision,
      cutsRevision: cuts.revision,
      houseRevision: clients.revision,
      handed: handed.revision,
      kept: { of: figures.of, body: figures.body },
    })
    .from(jobs)
    .innerJoin(clients, eq(clients.id, jobs.clientId))
    .leftJoin(wide, eq(wide.id, jobs.designId))
    .leftJoin(slim, eq(slim.id, jobs.narrowId))
    .leftJoin(former, eq(former.id, jobs.beforeId))
    .leftJoin(email, and(eq(email.jobId, jobs.id), eq(email.kind, 'email')))
    .leftJoin(cuts, and(eq(cuts.jobId, jobs.id), eq(cuts.kind, 'cuts')))
    .leftJoin(figures, eq(figures.jobId, jobs.id))
    .leftJoin(handed, eq(handed.jobId, jobs.id))
    .where(where)
    .orderBy(...order)
    .limit(most)
    .all()
}

async function summaryFrom(row: ReturnType<typeof rowsOf>[number]): Promise<JobSummary> {
  const { job, client, kept } = row
  const emailRevision = row.emailRevision ?? 0
  const stamp = { emailRevision, cutsRevision: row.cutsRevision ?? 0, houseRevision: row.houseRevision }
  const known = await figuresOf(job.id, stamp, kept?.of ? kept : undefined)
  const { id, name, width, due, archived, remote, createdAt, updatedAt } = job
  return {
    id,
    name,
    width,
    due,
    archived,
    remote,
    createdAt,
    updatedAt,
    design: row.wide && {
      ...refOf(row.wide),
      name: job.designName,
      scale: row.wide.width / width,
      worded: !!job.layers,
    },
    narrow: row.slim && { ...refOf(row.slim), name: job.narrowName ?? '' },
    before: row.former && refOf(row.former),
    client,
    state: stateOf(known, emailRevision, row.handed ?? 0),
    cutCount: known.cutCount,
    toMend: known.toMend,
    toMind: known.toMind,
    trouble: known.trouble,
    emailRevision,
  }
}

/** A job with its state and what is left to mend. Throws a Problem (404) where there is none of that id. */
export async function summaryOf(id: string): Promise<JobSummary> {
  const [row] = rowsOf(eq(jobs.id, id))
  if (!row) throw notFound('job', id)
  return summaryFrom(row)
}

/** All jobs, the latest changed first. */
export const listJobs = (archived = false): Promise<JobSummary[]> =>
  Promise.all(rowsOf(eq(jobs.archived, archived)).map(summaryFrom))

/**
 * The jobs that the wall shows at first, by client and day. With hundreds of jobs the rest comes once these are drawn.
 */
export function firstJobs(most: number): Promise<JobSummary[]> {
  const byClient = [
    sql`${clients.name} collate nocase`,
    sql`coalesce(${jobs.due}, '9')`,
    desc(jobs.updatedAt),
  ]
  return Promise.all(rowsOf(eq(jobs.archived, false), byClient, most).map(summaryFrom))
}

/** How many jobs hang on the wall, and how many are archived. */
export function countJobs(): { open: number; archived: number } {
  const [count] = db()
    .select({ all: sql<number>`count(*)`, archived: sql<number>`coalesce(sum(${jobs.archived}), 0)` })
    .from(jobs)
    .all()
  const { all, archived } = count!
  return { open: all - archived, archived }
}

/** Starts a job, from a design that has been taken in or from nothing. */
export function createJob(what: {
  clientId: string
  name: string
  width: number
  due?: string | null
  design?: PictureRef
  designName?: string
  layers?: DesignLayers | null
  narrow?: { picture: PictureRef; name: string } | null
}): Job {
  clientOf(what.clientId)
  const id = newId(),
    now = new Date().toISOString()
  db()
    .insert(jobs)
    .values({
      id,
      clientId: what.clientId,
      name: what.name,
      width: what.width,
      due: what.due ?? null,
      designId: what.design?.id,
      designName: what.designName,
      layers: what.layers ?? null,
      narrowId: what.narrow?.picture.id,
      narrowName: what.narrow?.name,
      createdAt: now,
      updatedAt: now,
    })
    .run()
  return jobOf(id)
}

/** Renames a job, sets its day or the width of its email, archives it or brings it back. */
export function changeJob(
  id: string,
  set: { name?: string; due?: string | null; archived?: boolean; remote?: boolean; width?: number },
): Job {
  jobOf(id)
  if (Object.keys(set).length)
    db()
      .update(jobs)
      .set({ ...set, updatedAt: new Date().toISOString() })
      .where(eq(jobs.id, id))
      .run()
  return jobOf(id)
}

/** A copy of a job with its cuts and email; what was delivered stays with the first. */
export function duplicateJob(id: string): Job {
  const source = jobOf(id)
  const copy = newId(),
    now = new Date().toISOString()
  db().transaction((tx) => {
    tx.insert(jobs)
      .values({
        id: copy,
        clientId: source.client.id,
        name: `${source.name} (copy)`.slice(0, 120),
        width: source.width,
        due: source.due,
        designId: source.design?.id,
        designName: source.design?.name ?? '',
        layers: layersOf(id),
        narrowId: source.narrow?.id,
        narrowName: source.narrow?.name,
        createdAt: now,
        updatedAt: now,
      })
      .run()
    for (const d of tx.select().from(documents).where(eq(documents.jobId, id)).all()) {
      tx.insert(documents)
        .values({ ...d, jobId: copy, revision: 1, savedAt: now })
        .run()
      noteUses(tx, ownerOf[d.kind](copy), d.body)
    }
  })
  return jobOf(copy)
}

/** What a job's design knows beyond its pixels, or null. */
export const layersOf = (id: string): DesignLayers | null =>
  db().select({ layers: jobs.layers }).from(jobs).where(eq(jobs.id, id)).get()?.layers ?? null

/** Gives a job its narrow design, or takes it away. */
export function setNarrow(id: string, narrow: { picture: PictureRef; name: string } | null): Job {
  jobOf(id)
  db()
    .update(jobs)
    .set({
      narrowId: narrow?.picture.id ?? null,
      narrowName: narrow?.name ?? null,
      updatedAt: new Date().toISOString(),
    })
    .where(eq(jobs.id, id))
    .run()
  return jobOf(id)
}
