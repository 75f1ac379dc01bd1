import { toMend } from '@/core/checks'
import { and, desc, eq } from 'drizzle-orm'
import { newId } from '@/core/email/defaults'
import { db } from '../db'
import { deliveries, documents, jobs } from '../db/schema'
import { notFound } from '../problem'
import { pictureInfo } from '../pictures/store'
import type { DesignLayers } from '@/core/cut/layers'
import type { PictureRef } from '@/core/picture/ref'
import { clientOf, type Client } from './clients'
import { readDocument } from './documents'
import { proofOf } from './proof'

export interface Job {
  id: string
  name: string
  client: Client
  /** px */
  width: number
  due: string | null
  archived: boolean
  design: PictureRef & {
    name: string
    /** Design pixels for each px of the email. */ scale: number
    /** Whether its file carries words. */ worded: boolean
  }
  /** The narrow design of the same email. */
  narrow: (PictureRef & { name: string }) | null
  /** The design that the present one replaced. */
  before: PictureRef | null
  createdAt: string
  updatedAt: string
}

/** How far a job is, told by what there is of it. */
export type JobState = 'design' | 'cut' | 'composing' | 'ready' | 'handed over'

export interface JobSummary extends Omit<Job, 'client'> {
  client: { id: string; name: string }
  state: JobState
  cutCount: number
  toMend: number
  toMind: number
  emailRevision: number
}

/** One job. Throws a Problem (404) where there is none of that id. */
export function jobOf(id: string): Job {
  const row = db().select().from(jobs).where(eq(jobs.id, id)).get()
  if (!row) throw notFound('job', id)
  const design = pictureInfo(row.designId)
  return {
    id: row.id,
    name: row.name,
    client: clientOf(row.clientId),
    width: row.width,
    due: row.due,
    archived: row.archived,
    design: {
      ...design,
      name: row.designName,
      scale: design.width / row.width,
      worded: !!row.layers?.texts.length,
    },
    narrow: row.narrowId ? { ...pictureInfo(row.narrowId), name: row.narrowName ?? '' } : null,
    before: row.beforeId ? pictureInfo(row.beforeId) : null,
    createdAt: row.createdAt,
    updatedAt: row.updatedAt,
  }
}

/** A job with its state and what is left to mend. */
export function summaryOf(id: string): JobSummary {
  const { client, ...job } = jobOf(id)
  const email = readDocument(id, 'email')
  const cuts = readDocument(id, 'cuts')
  const findings = email ? proofOf(id).findings : []
  const left = toMend(findings).length
  const handed =
    email &&
    db()
      .select({ revision: deliveries.revision })
      .from(deliveries)
      .where(and(eq(deliveries.jobId, id), eq(deliveries.state, 'done')))
      .orderBy(desc(deliveries.revision))
      .get()
  const state: JobState = !email
    ? cuts?.body.cuts.length
      ? 'cut'
      : 'design'
    : left
      ? 'composing'
      : handed && handed.revision >= email.revision
        ? 'handed over'
        : 'ready'
  return {
    ...job,
    client: { id: client.id, name: client.name },
    state,
    cutCount: cuts?.body.cuts.length ?? 0,
    toMend: left,
    toMind: findings.filter((f) => !f.muted).length - left,
    emailRevision: email?.revision ?? 0,
  }
}

/** All jobs, the latest changed first. */
export const listJobs = (archived = false): JobSummary[] =>
  db()
    .select({ id: jobs.id })
    .from(jobs)
    .where(eq(jobs.archived, archived))
    .orderBy(desc(jobs.updatedAt))
    .all()
    .map((j) => summaryOf(j.id))

/** Starts a job from a design that has been taken in. */
export function createJob(what: {
  clientId: string
  name: string
  width: number
  due?: string | null
  design: PictureRef
  designName: string
  layers?: DesignLayers | null
  narrow?: { picture: PictureRef; name: string } | null
}): JobSummary {
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
      designId: what.design.id,
      designName: what.designName,
      layers: what.layers ?? null,
      narrowId: what.narrow?.picture.id,
      narrowName: what.narrow?.name,
      createdAt: now,
      updatedAt: now,
    })
    .run()
  return summaryOf(id)
}

/** Renames a job, sets its day or the width of its email, archives it or brings it back. */
export function changeJob(
  id: string,
  set: { name?: string; due?: string | null; archived?: boolean; width?: number },
): JobSummary {
  jobOf(id)
  if (Object.keys(set).length)
    db()
      .update(jobs)
      .set({ ...set, updatedAt: new Date().toISOString() })
      .where(eq(jobs.id, id))
      .run()
  return summaryOf(id)
}

/** A copy of a job with its cuts and email; what was delivered stays with the first. */
export function duplicateJob(id: string): JobSummary {
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
        designId: source.design.id,
        designName: source.design.name,
        layers: layersOf(id),
        narrowId: source.narrow?.id,
        narrowName: source.narrow?.name,
        createdAt: now,
        updatedAt: now,
      })
      .run()
    for (const d of tx.select().from(documents).where(eq(documents.jobId, id)).all())
      tx.insert(documents)
        .values({ ...d, jobId: copy, revision: 1, savedAt: now })
        .run()
  })
  return summaryOf(copy)
}

/** What a job's design knows beyond its pixels, or null. */
export const layersOf = (id: string): DesignLayers | null =>
  db().select({ layers: jobs.layers }).from(jobs).where(eq(jobs.id, id)).get()?.layers ?? null

/** Gives a job its narrow design, or takes it away. */
export function setNarrow(id: string, narrow: { picture: PictureRef; name: string } | null): JobSummary {
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
  return summaryOf(id)
}
