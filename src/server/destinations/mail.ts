import MailComposer from 'nodemailer/lib/mail-composer'
import { writtenJob } from '../jobs/proof'
import { pictureBytes } from '../pictures/store'
import { contentId } from './written'

/** Who a message is from and to. */
export interface Envelope {
  from: string
  to: string
}

/**
 * A job's email as a message: multipart/alternative of text and HTML, pictures related to the HTML by
 * Content-ID (RFC 2046, 2387, 2392). The same HTML and text are read back from it by any mail library.
 */
export async function mailOf(jobId: string, envelope: Envelope, signal?: AbortSignal) {
  const { html, text, revision, subject, pictures } = await writtenJob(
    jobId,
    { writing: 'message', places: 'message' },
    signal,
  )
  const attachments = await Promise.all(
    pictures.map(async (n) => ({
      filename: n.name,
      content: await pictureBytes(n.picture.id),
      contentType: n.picture.type,
      cid: contentId(n.name),
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
