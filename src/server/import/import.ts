import { simpleParser } from 'mailparser'
import { withAbsolute } from '@/core/html/absolute'
import { tooMuchEmail } from '@/core/html/bounds'
import { bandsFromHtml, type ImportedBands } from '@/core/import/bands'
import type { ByHand } from '@/core/email/schema'
import { checkPicture } from '../pictures/check'
import type { NewPicture } from '../pictures/kept'
import { Problem } from '../problem'
import { decode } from './decode'
import { unzip } from './unzip'

/** An email that was brought in: as it was written, and as bands. */
export interface Imported {
  hand: ByHand
  /** What its tables could be read as. */
  bands: ImportedBands
  subject: string
  /** The plain-text part, where the file brought one. */
  text: string | null
  notes: string[]
}

/** The same with the pictures it brings, which nobody has kept yet. */
export interface ReadImport extends Imported {
  pictures: NewPicture[]
}

const MOST_BYTES = 40 * 1024 * 1024
/** As much as an email written by hand may have, characters. */
const MOST_HTML = 1_000_000

const refuse = (title: string, why: string) => new Problem(422, 'not-an-email', title, why)

/**
 * Brings in an HTML file, a ZIP with HTML and pictures, or a message (.eml), told by its content. Throws a
 * Problem that says what is wrong with it.
 * @param base where its HTML stood, so that what it names relatively is found
 */
export async function importFile(bytes: Buffer, name: string, base?: string): Promise<ReadImport> {
  if (!bytes.length)
    throw refuse('The file is empty', `"${name}" has 0 bytes. Save it again and drop the new file.`)
  if (bytes.length > MOST_BYTES)
    throw new Problem(
      413,
      'too-heavy',
      'The file is too heavy',
      `"${name}" has ${(bytes.length / 1048576).toFixed(0)} MB; at most 40 MB can be brought in.`,
    )
  if (bytes.subarray(0, 4).equals(Buffer.from([0x50, 0x4b, 3, 4]))) return fromZip(bytes, name)
  const head = bytes.subarray(0, 4096).toString('latin1')
  if (bytes.includes(0) && !/^(\xff\xfe|\xfe\xff)/.test(head))
    throw refuse(
      'This file is no email',
      `"${name}" holds binary data. Bring in HTML, a ZIP with HTML and pictures, or a message saved as .eml.`,
    )
  if (isMessage(head)) return fromMessage(bytes, name)
  const html = decode(bytes)
  return importMarkup(base ? withAbsolute(html, base) : html)
}

/** Whether a file begins with the header of a message (RFC 5322, section 2.2). */
const isMessage = (head: string): boolean =>
  /^[A-Za-z][A-Za-z0-9-]*:/.test(head) &&
  /^(?:content-type|mime-version|from|subject|received|date|message-id):/im.test(head)

/** Pictures that stand in the HTML itself (RFC 2397), with their bytes in base64. */
const INSIDE = /data:image\/(?:png|jpe?g|gif);base64,[A-Za-z0-9+/=]{16,1000000}/g
const MOST_INSIDE = 100

/** Brings in pasted HTML, with the pictures that stand in it. */
export async function importMarkup(html: string): Promise<ReadImport> {
  const pictures: Record<string, NewPicture> = {}
  const notes: string[] = []
  const addresses = [...new Set(html.match(INSIDE) ?? [])].slice(0, MOST_INSIDE)
  for (const [i, address] of addresses.entries()) {
    const name = `picture ${i + 1} in the HTML`
    const bytes = Buffer.from(address.slice(address.indexOf(',') + 1), 'base64')
    try {
      pictures[address] = (await checkPicture(bytes, name)).picture
    } catch (e) {
      if (!(e instanceof Problem)) throw e
      notes.push(`${name}: ${e.detail}`)
    }
  }
  return importHtml(html, pictures, { notes })
}

/** The same with the pictures that are known already. */
export function importHtml(
  html: string,
  pictures: Readonly<Record<string, NewPicture>> = {},
  more: Partial<Pick<Imported, 'subject' | 'text' | 'notes'>> = {},
): ReadImport {
  if (html.length > MOST_HTML)
    throw new Problem(
      413,
      'too-heavy',
      'The HTML is too long',
      `It has ${(html.length / 1e6).toFixed(1)} million characters; at most one million can be brought in. Mail programs cut messages off long before.`,
    )
  if (!/<[a-z!]/i.test(html))
    throw refuse(
      'There is no HTML in it',
      'It holds plain text only. Paste or drop the source of the email, with its tags.',
    )
  const much = tooMuchEmail(html)
  if (much)
    throw refuse(
      'This HTML is too much',
      `It holds ${much}. Mail programs would not show it either; take out what is not needed.`,
    )
  const refs = Object.fromEntries(Object.entries(pictures).map(([address, p]) => [address, p.ref]))
  const bands = bandsFromHtml(html, refs)
  return {
    hand: { html, pictures: refs, inline: false },
    bands,
    pictures: [...new Map(Object.values(pictures).map((p) => [p.ref.id, p])).values()],
    subject: more.subject ?? '',
    text: more.text ?? null,
    notes: [...(more.notes ?? []), ...bands.notes],
  }
}

async function fromZip(bytes: Buffer, name: string): Promise<ReadImport> {
  const { files, read } = await unzip(bytes, name, refuse)
  const pages = files
    .filter((f) => /\.html?$/i.test(f.name))
    .sort(
      (a, b) =>
        depth(a.name) - depth(b.name) ||
        Number(/index/i.test(b.name)) - Number(/index/i.test(a.name)) ||
        a.name.localeCompare(b.name),
    )
  const page = pages[0]
  if (!page)
    throw refuse(
      'There is no HTML in this ZIP',
      `Among its ${files.length} files none ends in .html. Pack the email's HTML with its pictures.`,
    )
  const html = decode(await read(page))
  const folder = page.name.includes('/') ? page.name.slice(0, page.name.lastIndexOf('/') + 1) : ''
  const pictures: Record<string, NewPicture> = {}
  const notes: string[] =
    pages.length > 1 ? [`"${page.name}" was taken; the ZIP holds ${pages.length} HTML files.`] : []
  for (const file of files.filter((f) => /\.(png|jpe?g|gif)$/i.test(f.name))) {
    const address = relative(folder, file.name)
    // The forms in which the HTML may name it.
    const forms = [address, `./${address}`, encodeURI(address), address.replace(/ /g, '%20')].filter((a) =>
      html.includes(a),
    )
    if (!forms.length) continue
    try {
      const { picture } = await checkPicture(await read(file), file.name)
      for (const f of new Set(forms)) pictures[f] = picture
    } catch (e) {
      if (e instanceof Problem && e.status !== 422) notes.push(`${file.name}: ${e.detail}`)
      else throw e
    }
  }
  return importHtml(html, pictures, { notes })
}

const depth = (name: string) => name.split('/').length
function relative(folder: string, name: string): string {
  const from = folder.split('/').filter(Boolean),
    to = name.split('/')
  let same = 0
  while (same < from.length && from[same] === to[same]) same++
  return [...from.slice(same).map(() => '..'), ...to.slice(same)].join('/')
}

async function fromMessage(bytes: Buffer, name: string): Promise<ReadImport> {
  const mail = await simpleParser(bytes, {
    skipImageLinks: true,
    skipHtmlToText: true,
    skipTextToHtml: true,
  }).catch(() => {
    throw refuse('This message cannot be read', `"${name}" is damaged. Save it again from the mail program.`)
  })
  if (!mail.html)
    throw refuse(
      'This message has no HTML part',
      `"${name}" holds plain text only. Open it, copy the words, and write the email as plain text.`,
    )
  const pictures: Record<string, NewPicture> = {}
  const notes: string[] = []
  if (mail.attachments.some((a) => a.contentType === 'text/x-amp-html'))
    notes.push('The AMP part of the message was left out: Interact makes one from the email as it is now.')
  for (const a of mail.attachments) {
    const cid = a.cid ?? a.contentId?.replace(/^<|>$/g, '')
    if (!cid || !mail.html.includes(`cid:${cid}`)) continue
    try {
      pictures[`cid:${cid}`] = (await checkPicture(a.content, a.filename ?? cid)).picture
    } catch (e) {
      if (e instanceof Problem) notes.push(`${a.filename ?? cid}: ${e.detail}`)
      else throw e
    }
  }
  return importHtml(mail.html, pictures, { subject: mail.subject ?? '', text: mail.text ?? null, notes })
}
