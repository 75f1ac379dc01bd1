import addressparser from 'nodemailer/lib/addressparser'
import MailComposer from 'nodemailer/lib/mail-composer'
import { writtenJob } from '../jobs/proof'
import { pictureBytes } from '../pictures/store'
import { contentId } from './written'
import { WAY_OUT } from './writings'

/** Who a message is from and to. */
export interface Envelope {
  from: string
  to: string
}

/**
 * What a message to a list says of it: its name (RFC 2919), whom to ask, that nobody posts to it (RFC 2369), and the way out by one press in a mail program
 * (RFC 8058, 3.1).
 */
function listHeaders({ name, address }: Mailbox): Record<string, string> {
  const host = address.split('@')[1] ?? 'mosaicus.example'
  return {
    'List-Id': `${name ? `${quoted(name)} ` : ''}<news.${host}>`,
    'List-Help': `<mailto:${address}?subject=help>`,
    'List-Owner': `<mailto:${address}>`,
    'List-Post': 'NO',
    'List-Unsubscribe': `<${WAY_OUT}>`,
    'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
  }
}

interface Mailbox {
  name: string
  address: string
}

/** A name as a quoted string (RFC 5322, 3.2.4); what is beyond ASCII is left out of a list's name, which is no display name (RFC 2919, 3). */
const quoted = (name: string): string => `"${name.replace(/[^ -~]|["\\]/g, '').trim() || 'list'}"`

/** An address with the name before it: its own, else its first part, since filters take bare addresses for those of lists bought. */
function mailbox(written: string): Mailbox {
  const [first] = addressparser(written, { flatten: true })
  const address = first?.address || written.trim()
  return { name: first?.name || (address.split('@')[0] ?? ''), address }
}

/**
 * A job's email as a message: multipart/alternative of text and HTML, pictures related to the HTML by
 * Content-ID (RFC 2046, 2387, 2392). @param message names it among all others. The same HTML and text are read back from it by any mail library.
 */
export async function mailOf(jobId: string, envelope: Envelope, message: string, signal?: AbortSignal) {
  const { html, text, amp, revision, subject, pictures } = await writtenJob(
    jobId,
    { writing: 'message', places: 'message', message },
    signal,
  )
  const attachments = await Promise.all(
    pictures.map(async (n, i) => ({
      filename: n.name,
      content: await pictureBytes(n.picture.id),
      contentType: n.picture.type,
      cid: contentId(i + 1, message),
      contentDisposition: 'inline' as const,
    })),
  )
  return {
    mail: {
      from: mailbox(envelope.from),
      to: mailbox(envelope.to),
      subject,
      ...(html ? { html } : {}),
      // Between text and HTML (AMP for Email, "Structure and rendering"): readers that do not know it show the last they know.
      ...(amp && html ? { amp } : {}),
      text,
      attachments,
      headers: html.includes(WAY_OUT) || text.includes(WAY_OUT) ? listHeaders(mailbox(envelope.from)) : {},
      // Always, so that nothing on the way changes a line.
      encoding: 'quoted-printable' as const,
      newline: 'windows',
    },
    revision,
  }
}

/** A message as bytes (RFC 5322 and MIME). */
export const built = (
  mail: Awaited<ReturnType<typeof mailOf>>['mail'] & { messageId?: string },
): Promise<Buffer> => new MailComposer(mail).compile().build().then(withoutFromLines)

/** Longest line of quoted-printable (RFC 2045, section 6.7, rule 5). */
const MOST_QUOTED = 76

/**
 * A message in which no line begins with "From ", which programs that keep mail in one file take for the beginning of
 * the next message (RFC 4155; RFC 2049, section 3, advises the same encoding). Only quoted-printable has such lines.
 */
function withoutFromLines(message: Buffer): Buffer {
  const safe = message
    .toString('latin1')
    .replace(/^From ([^\r\n]*)/gm, (line, rest: string) =>
      line.length + 2 <= MOST_QUOTED ? `=46rom ${rest}` : `=46rom =\r\n${rest}`,
    )
  return Buffer.from(safe, 'latin1')
}
