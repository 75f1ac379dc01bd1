import type { Line, PSM, Worker } from 'tesseract.js'
import { blocksOf, joinPieces, withBullets, type TextBlock, type TextLine } from '@/core/cut/reflow'
import { readingWays, type ReadingWay } from '@/core/cut/channels'
import type { Cut } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import { linesOf, type ReadLine, type ReadWord } from '@/core/cut/read-lines'

/** Letters are read best from about this height of a small x, px. */
const CLEAR_X = 20

/** From this confidence on, of 100, what is read off a picture are words. */
const SURE = 70

/** From this on, of 1, words are not read a second time. */
const PLAIN = 0.85

/** Words in design px, and how surely they were read, 0 to 1. */
export interface Reading {
  blocks: TextBlock[]
  sure: number
}

/** Ground around a crop, px of the crop. */
export const READING_MARGIN = 12

/**
 * By how much a crop is drawn larger before it is read.
 * @param scale design px for each px of the email, whose body text is about 16 px
 */
const readingZoom = (scale: number): number => Math.max(1, Math.min(4, CLEAR_X / (8 * scale)))

/**
 * Where the words of a cut are: of a button inside its edge and its round ends.
 * @param scale design px for each px of the email
 */
export function readableOf(cut: Cut, scale: number): Rect {
  if (cut.kind !== 'button') return cut
  const by = Math.round(((cut.box?.borderWidth ?? 0) + 3) * scale),
    round = Math.round(0.3 * (cut.box?.radius ?? 0) * scale)
  return cut.w > 4 * (by + round) && cut.h > 4 * by
    ? { x: cut.x + by + round, y: cut.y + by, w: cut.w - 2 * (by + round), h: cut.h - 2 * by }
    : cut
}

/**
 * Reads words off pictures (OCR), in a worker of its own and without a network: its files come from the app.
 * One reader serves many cuts; ending it cancels whatever it is doing.
 */
export class Ocr {
  private worker: Promise<Worker> | null = null
  private ended = false

  /**
   * The words of a place of the design as blocks in design px. Where they are not read surely they are read
   * again at another size, which helps with figures, then through the channel that parts them best, which helps with colour on
   * colour. @param cropAt draws the place larger @param scale design px for each px of the email
   */
  async words(
    cropAt: (zoom: number, parted?: boolean) => Promise<Blob>,
    at: Rect,
    scale: number,
    scattered: boolean,
  ): Promise<Reading> {
    const zoom = readingZoom(scale),
      first = await this.read(await cropAt(zoom), at, zoom, scattered)
    if (scattered || first.sure >= PLAIN) return first
    const other = zoom < 2 ? 2 * zoom : 0.8 * zoom,
      second = await this.read(await cropAt(other), at, other, scattered)
    const better = second.sure > first.sure ? second : first
    if (better.sure >= PLAIN) return better
    const parted = await this.read(await cropAt(zoom, true), at, zoom, scattered)
    return parted.sure > better.sure ? parted : better
  }

  /**
   * The words of a crop as blocks in design px.
   * @param zoom by how much the crop was drawn larger @param at where it lies in the design @param scattered
   * whether words stand here and there on a picture: then only what was read surely counts, since much of a
   * picture looks a little like letters
   */
  private async read(crop: Blob, at: Rect, zoom: number, scattered: boolean): Promise<Reading> {
    const worker = await (this.worker ??= this.start())
    if (this.ended) throw new DOMException('Cancelled', 'AbortError')
    /** The lines found with a way of segmenting the page. */
    const linesOf = async (segmentation: '3' | '7' | '11', kept: (l: Line) => boolean) => {
      await worker.setParameters({ tessedit_pageseg_mode: segmentation as PSM })
      return ((await worker.recognize(crop, {}, { blocks: true, text: false })).data.blocks ?? [])
        .flatMap((b) => b.paragraphs.flatMap((p) => p.lines))
        .filter(kept)
    }
    // Sparse text in no order; or automatic, and where that finds nothing (a lone figure), as a single line.
    const found = scattered
      ? await linesOf('11', (l) => l.confidence >= SURE && /\p{L}{2}|\d{2}/u.test(l.text))
      : await linesOf('3', (l) => l.confidence > 25)
    const lines = found.length || scattered ? found : await linesOf('7', (l) => l.confidence > 50)
    const [left, top] = [at.x - READING_MARGIN / zoom, at.y - READING_MARGIN / zoom]
    const pieces = lines.flatMap((l) => {
      const size = Math.max(
        6,
        l.rowAttributes?.rowHeight
          ? (l.rowAttributes.rowHeight / zoom) * 0.76
          : ((l.bbox.y1 - l.bbox.y0) / zoom) * 0.95,
      )
      return spaced(l.words, 1.6 * size * zoom).map((words): TextLine => {
        const x0 = Math.min(...words.map((w) => w.bbox.x0)),
          x1 = Math.max(...words.map((w) => w.bbox.x1))
        return {
          text: words.map((w) => w.text).join(' '),
          x: left + x0 / zoom,
          w: (x1 - x0) / zoom,
          base: top + (l.baseline.y0 + l.baseline.y1) / 2 / zoom,
          size,
        }
      })
    })
    // Lines of one block are told to differ a little in size.
    const usual = pieces.map((p) => p.size).sort((a, b) => a - b)[pieces.length >> 1] ?? 0
    const settled = pieces.map((p) => (Math.abs(p.size - usual) <= 0.25 * usual ? { ...p, size: usual } : p))
    return {
      blocks: blocksOf(withBullets(joinPieces(settled)), at.w),
      sure: lines.length ? lines.reduce((s, l) => s + l.confidence, 0) / lines.length / 100 : 0,
    }
  }

  /**
   * The words of a whole design, each way of seeing it (`readingWays`) and each stretch of it by itself. @param seen draws a stretch as a way sees it
   * @param tell called with the part that is done, 0 to 1
   */
  async whole(
    size: { width: number; height: number },
    scale: number,
    seen: (rect: Rect, zoom: number, way: ReadingWay) => Promise<Blob>,
    tell: (done: number) => void,
  ): Promise<ReadLine[]> {
    const worker = await (this.worker ??= this.start())
    await worker.setParameters({ tessedit_pageseg_mode: '11' as PSM })
    const zoom = Math.max(1, Math.min(3, Math.round(2 / scale)))
    const stretches = stretchesOf(size, Math.round(STRETCH / zoom), Math.round(TWICE / zoom))
    const readings: ReadWord[][] = []
    for (const [i, way] of readingWays.entries()) {
      const words: ReadWord[] = []
      for (const [k, rect] of stretches.entries()) {
        if (this.ended) throw new DOMException('Cancelled', 'AbortError')
        const { data } = await worker.recognize(
          await seen(rect, zoom, way),
          {},
          { blocks: true, text: false },
        )
        const lines = (data.blocks ?? []).flatMap((b) => b.paragraphs.flatMap((p) => p.lines))
        words.push(...lines.flatMap((l) => wordsOfLine(l, rect, zoom)))
        tell((i + (k + 1) / stretches.length) / readingWays.length)
      }
      readings.push(words)
    }
    return linesOf(readings)
  }

  end(): void {
    this.ended = true
    void this.worker?.then(
      (w) => w.terminate(),
      () => {},
    )
  }

  private async start() {
    const { createWorker } = await import('tesseract.js')
    const base = new URL('/api/reading', location.href).href
    return createWorker('eng', 1, {
      workerPath: `${base}/worker.min.js`,
      corePath: base,
      langPath: base,
      cacheMethod: 'none',
      gzip: true,
      workerBlobURL: false,
    })
  }
}

/** A whole design is read in stretches of so many rows, of which neighbours share some, px of what is read. */
const STRETCH = 2600
const TWICE = 160

function stretchesOf(
  { width, height }: { width: number; height: number },
  most: number,
  twice: number,
): Rect[] {
  const out: Rect[] = []
  for (let y = 0; y < height; y += most - twice) {
    out.push({ x: 0, y, w: width, h: Math.min(most, height - y) })
    if (y + most >= height) break
  }
  return out
}

/** The words of a line where they lie in the design: each stands on the line's own slope. */
function wordsOfLine(line: Line, at: Rect, zoom: number): ReadWord[] {
  const { x0, y0, x1, y1 } = line.baseline
  const slope = (y1 - y0) / Math.max(1, x1 - x0)
  return line.words.map(({ text, confidence: sure, bbox }) => ({
    text,
    sure,
    x: at.x + bbox.x0 / zoom,
    y: at.y + bbox.y0 / zoom,
    w: (bbox.x1 - bbox.x0) / zoom,
    h: (bbox.y1 - bbox.y0) / zoom,
    base: at.y + (y0 + slope * ((bbox.x0 + bbox.x1) / 2 - x0)) / zoom,
  }))
}

/** The words of a line, parted where a wide space stands between them. @param wide px of the crop */
function spaced<W extends { bbox: { x0: number; x1: number } }>(words: readonly W[], wide: number): W[][] {
  const out: W[][] = []
  for (const w of words) {
    const last = out.at(-1)
    if (last && w.bbox.x0 - last.at(-1)!.bbox.x1 <= wide) last.push(w)
    else out.push([w])
  }
  return out
}
