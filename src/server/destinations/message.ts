import MailComposer from 'nodemailer/lib/mail-composer'
import nodemailer from 'nodemailer'
import { conditionsFor } from '@/core/email/conditions'
import { asSample, replaceFields } from '@/core/text/fields'
import { namePictures } from '@/core/handover/names'
import { compileJob } from '../jobs/proof'
import { pictureBytes } from '../pictures/store'
import { Problem } from '../problem'
import { smtpPort } from '../settings'

/** Who a message is from and to. */
export interface Envelope {
  from: string
  to: string
}

/**
 * Sample values for a message that one person looks at: fields show their fallbacks, the unsubscribe link
 * leads to a reserved address (RFC 2606).
 */
const sample = asSample({ unsubscribe: 'https://unsubscribe.example/' })

const cid = (name: string): string => `${name}@mosaicus.example`

/**
 * A job's email as a message: multipart/alternative of text and HTML, pictures related to the HTML by
 * Content-ID (RFC 2046, 2387, 2392). The same HTML and text are read back from it by any mail library.
 */
async function mailOf(jobId: string, envelope: Envelope) {
  const { email } = compileJob(jobId)
  const named = namePictures(email)
  const byId = new Map(named.map((n) => [n.picture.id, n]))
  const { html, text, revision } = compileJob(jobId, {
    fields: sample,
    conditions: conditionsFor({}),
    src: ({ id }) => `cid:${cid(byId.get(id)!.name)}`,
  })
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
      subject: replaceFields(email.subject, sample),
      ...(html ? { html } : {}),
      text,
      attachments,
      textEncoding: 'quoted-printable' as const,
      newline: 'windows',
    },
    html,
    text,
    revision,
  }
}

/** A job as an `.eml` file (RFC 5322 and MIME). */
export async function emlOf(
  jobId: string,
  envelope: Envelope = { from: 'Mosaicus <studio@mosaicus.example>', to: 'reader@mosaicus.example' },
): Promise<Buffer> {
  const { mail } = await mailOf(jobId, envelope)
  return new MailComposer(mail).compile().build()
}

/**
 * Sends a job's email by SMTP to the inbox stand-in. Throws a Problem (502) with the server's own words where
 * it does not take it.
 */
export async function sendTest(
  jobId: string,
  envelope: Envelope,
): Promise<{ messageId: string; bytes: number; revision: number }> {
  const { mail, revision } = await mailOf(jobId, envelope)
  const transport = nodemailer.createTransport({
    host: '127.0.0.1',
    port: smtpPort(),
    secure: false,
    ignoreTLS: true,
    connectionTimeout: 10_000,
    socketTimeout: 20_000,
  })
  try {
    const raw = await new MailComposer(mail).compile().build()
    const sent = await transport.sendMail({ envelope: { from: envelope.from, to: [envelope.to] }, raw })
    return {
      messageId: /^Message-ID: (.+)$/im.exec(raw.toString('latin1'))?.[1]?.trim() ?? sent.messageId,
      bytes: raw.length,
      revision,
    }
  } catch (error) {
    throw new Problem(
      502,
      'send-failed',
      'The test send was not taken',
      `The mail server answered: ${(error as Error).message}. Nothing was lost; check that the inbox is set to receive, then send again.`,
    )
  } finally {
    transport.close()
  }
}
