import type { Cut } from '@/core/cut/plan'
import { readAcross, type TextBlock } from '@/core/cut/reflow'
import { textOf, withLists } from '@/core/email/richtext'
import { READING_MARGIN, readableOf, type Ocr } from './ocr'
import type { OpenCutter } from './use-cutter'

/** Words read off a picture, to be taken or not. */
export interface Proposal {
  text: string
  sure: number
  blocks: TextBlock[]
}

/** What is read off one cut. @param scale design px for each px of the email */
export async function readOne(ocr: Ocr, open: OpenCutter, c: Cut, scale: number): Promise<Proposal> {
  const at = readableOf(c, scale)
  const { blocks, sure } = await ocr.words(
    (zoom, parted) => open().ask({ kind: 'crop', rect: at, zoom, margin: READING_MARGIN, parted }),
    at,
    scale,
    c.kind === 'picture',
  )
  const text = c.kind === 'picture' ? blocks.map((b) => b.text).join('\n\n') : readAcross(blocks)
  return { text, sure, blocks }
}

/** What a cut says once words that were read are taken. */
export function taken(cut: Cut, text: string): Partial<Cut> {
  const line = text.replace(/\s+/g, ' ')
  if (cut.kind === 'picture') return { alt: line.slice(0, 2000) }
  return { words: cut.kind === 'button' ? textOf(line) : withLists(textOf(text)) }
}
