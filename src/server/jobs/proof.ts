import { findingsOf, type Finding } from '@/core/checks'
import { HTML_LIMIT } from '@/core/checks/weight'
import { compile, type CompileOptions } from '@/core/compile'
import { styleOf } from '@/core/email/cascade'
import { compileText, type TextOptions } from '@/core/compile/text'
import { conditionsAsWritten } from '@/core/email/conditions'
import { asWritten } from '@/core/text/fields'
import { eq } from 'drizzle-orm'
import type { Email } from '@/core/email/schema'
import { db } from '../db'
import { jobs } from '../db/schema'
import { notFound, Problem } from '../problem'
import { clientOf } from './clients'
import { readDocument } from './documents'

/**
 * The email of a job with the house style it inherits. Throws a Problem (409) where none has been built yet.
 */
export function emailOf(jobId: string) {
  const row = db().select({ clientId: jobs.clientId }).from(jobs).where(eq(jobs.id, jobId)).get()
  if (!row) throw notFound('job', jobId)
  const email = readDocument(jobId, 'email')
  if (!email)
    throw new Problem(
      409,
      'no-email',
      'There is no email yet',
      'This job has a design but no email. Cut the design and build the email first.',
    )
  return { ...email, client: clientOf(row.clientId) }
}

/** Where pictures stand when the app itself shows an email. */
export const appPicture = (picture: { id: string }): string => `/api/pictures/${picture.id}`

/** A job's email, compiled. */
export interface CompiledJob {
  email: Email
  revision: number
  html: string
  text: string
}

/** The compiled HTML and plain text of a job. */
export function compileJob(
  jobId: string,
  options: Partial<CompileOptions> & Pick<TextOptions, 'links'> = {},
): CompiledJob {
  const { body: email, revision, client } = emailOf(jobId)
  const fields = options.fields ?? asWritten
  return {
    email,
    revision,
    html: compile(email, client.house, {
      src: options.src ?? appPicture,
      fields,
      conditions: options.conditions,
      styles: options.styles,
      print: options.print,
    }),
    text: compileText(email, {
      fields,
      conditions: options.conditions ?? conditionsAsWritten,
      house: client.house,
      links: options.links,
    }),
  }
}

/** What the checks find in a job's email, and how much of the HTML limit is used. */
export function proofOf(jobId: string): {
  revision: number
  bytes: number
  limit: number
  findings: Finding[]
} {
  const { body: email, revision, client } = emailOf(jobId)
  const html = compile(email, client.house, { src: appPicture })
  const bytes = Buffer.byteLength(html)
  return {
    revision,
    bytes,
    limit: HTML_LIMIT,
    findings: findingsOf(email, styleOf(client.house, email.styles), html, bytes),
  }
}
