import MailComposer from 'nodemailer/lib/mail-composer'
import { conditionsFor } from '@/core/email/conditions'
import { asSample } from '@/core/text/fields'
import { namePictures } from '@/core/handover/names'
import { compileJob } from '../jobs/proof'
import { pictureBytes } from '../pictures/store'
import { writtenFor } from './written'

/** Who a message is from and to. */
export interface Envelope {
  from: string
  to: string
}

/**
 * Sample values for a message that one person looks at: fields show their fallbacks, the unsubscribe link
 * leads to a reserved address (RFC 2606).
 */
export const writing = {
  fields: asSample({ unsubscribe: 'https://unsubscribe.example/' }),
  conditions: conditionsFor({}),
}

const cid = (name: string): string => `${name}@mosaicus.example`

/**
 * A job's email as a message: multipart/alternative of text and HTML, pictures related to the HTML by
 * Content-ID (RFC 2046, 2387, 2392). The same HTML and text are read back from it by any mail library.
 */
export async function mailOf(jobId: string, envelope: Envelope) {
  const { email } = compileJob(jobId)
  const named = namePictures(email)
  const byId = new Map(named.map((n) => [n.picture.id, n]))
  const { html, text, revision, subject } = writtenFor(
    writing,
    jobId,
    ({ id }) => `cid:${cid(byId.get(id)!.name)}`,
  )
  const attachments = await Promise.all(
    named.map(async (n) => ({
      filename: n.name,
      content: await pictureBytes(n.picture.id),
      contentType: n.picture.type,
      cid: cid(n.name),
      contentDisposition: 'inline' as const,
    })),
  )
  return {
    mail: {
      from: envelope.from,
      to: envelope.to,
      subject,
      ...(html ? { html } : {}),
      text,
      attachments,
      textEncoding: 'quoted-printable' as const,
      newline: 'windows',
    },
    revision,
  }
}

/** A message as bytes (RFC 5322 and MIME). */
export const built = (
  mail: Awaited<ReturnType<typeof mailOf>>['mail'] & { messageId?: string },
): Promise<Buffer> => new MailComposer(mail).compile().build()
