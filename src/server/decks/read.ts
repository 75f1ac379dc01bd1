import mammoth from 'mammoth'
import { markdownDeck, plainDeck, type DeckPiece } from '@/core/cut/deck'
import { labelled } from '@/core/cut/deck-labels'
import { decode } from '../import/decode'
import { unzip } from '../import/unzip'
import { Problem } from '../problem'

const refuse = (why: string) => new Problem(422, 'not-a-deck', 'This copy cannot be read', why)
const MOST_TEXT = 400_000

const noDocx = (name: string) =>
  refuse(`"${name}" is a ZIP, but no DOCX that can be read. Save it again as DOCX, or paste the words.`)

/** What a document may come to once it is unpacked, bytes. */
const MOST_UNPACKED = 40 * 1024 * 1024

/** Throws a Problem where a document unpacks to too much: the library would find out too late. */
async function assertUnpacks(bytes: Buffer, name: string): Promise<void> {
  const refused = (title: string, why: string) => (/cannot be read/.test(title) ? noDocx(name) : refuse(why))
  const { files, read } = await unzip(bytes, name, refused, MOST_UNPACKED)
  for (const file of files) await read(file)
}

/** Parts pasted copy into pieces. Markdown where it is said to be, or looks like it. */
export function deckOfText(
  text: string,
  markdown = /^(#{1,6}\s|[*-]\s|\d+\.\s|>\s)|\[[^\][]+\]\([^()]+\)|\*\*[^*]+\*\*/m.test(text),
): { pieces: DeckPiece[] } {
  if (text.length > MOST_TEXT)
    throw refuse(
      `It has ${text.length.toLocaleString('en')} characters; at most ${MOST_TEXT.toLocaleString('en')} are read.`,
    )
  if (/>{50}|(?:> ){50}/.test(text))
    throw refuse('Quotations stand in it more than 50 deep. Take their marks out.')
  // As they were written, lines are only looked at for their labels.
  const pieces = labelled(markdown ? markdownDeck(text) : plainDeck(text)).map(({ lines: _, ...p }) => p)
  if (!pieces.length) throw refuse('There are no words in it. Paste the copy, or drop the file with it.')
  return { pieces }
}

/** Parts a copy deck: plain text, Markdown, or a word processor's document (DOCX), told by its content. */
export async function deckOfFile(bytes: Buffer, name: string): Promise<{ pieces: DeckPiece[] }> {
  if (!bytes.length) throw refuse(`"${name}" is empty (0 bytes).`)
  if (bytes.subarray(0, 4).toString('latin1') === 'PK\u0003\u0004') {
    await assertUnpacks(bytes, name)
    // The library gives Markdown: its marks are read like anyone's.
    const read = await (
      mammoth as unknown as { convertToMarkdown(i: { buffer: Buffer }): Promise<{ value: string }> }
    )
      .convertToMarkdown({ buffer: bytes })
      .catch(() => {
        throw noDocx(name)
      })
    return deckOfText(withoutPictures(read.value), true)
  }
  if (bytes.includes(0))
    throw refuse(
      `"${name}" holds binary data. Drop plain text, Markdown or DOCX; an old DOC has to be saved as DOCX first.`,
    )
  return deckOfText(decode(bytes), /\.(md|markdown)$/i.test(name) || undefined)
}

/**
 * Pictures in the document are none of its copy; anchors that the library leaves for bookmarks are none
 * either.
 */
const withoutPictures = (markdown: string): string =>
  markdown.replace(/!\[[^\][]*\]\([^()]*\)/g, '').replace(/<a id="[^"]*"><\/a>/g, '')
