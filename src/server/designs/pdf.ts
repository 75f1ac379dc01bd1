import { dirname, join } from 'node:path'
import { createRequire } from 'node:module'
import sharp from 'sharp'
import { guessSize } from '@/core/cut/density'
import { blocksOf, joinPieces, type TextLine } from '@/core/cut/reflow'
import { Problem } from '../problem'
import { MOST_PIXELS, refuseDesign, type Board, type ReadBoard } from './board'

/** Whether a file begins as a PDF does. */
export const isPdf = (bytes: Buffer): boolean => bytes.subarray(0, 1024).includes('%PDF-')

/**
 * Width a page is rasterised at, px: twice that of the email it shows. Design programs write a point for each
 * px, browsers three for four (CSS Values 4, section 6.2).
 */
function rasterWidth(points: number): number {
  for (const width of [points, (points * 4) / 3]) {
    const { emailWidth, density } = guessSize(Math.round(width))
    if (density === 1) return 2 * emailWidth
  }
  return 1200
}
const MOST_PAGES = 200

const packageFolder = (): string =>
  dirname(createRequire(join(process.cwd(), 'package.json')).resolve('pdfjs-dist/package.json'))

async function open(bytes: Buffer, name: string) {
  const pdf = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const folder = packageFolder()
  try {
    // Scripts in the file are never run: the library reads pages only, and its evaluator of font programs is
    // off.
    return await pdf.getDocument({
      data: new Uint8Array(bytes),
      isEvalSupported: false,
      enableXfa: false,
      useSystemFonts: true,
      stopAtErrors: false,
      maxImageSize: MOST_PIXELS,
      verbosity: 0,
      standardFontDataUrl: `${join(folder, 'standard_fonts')}/`,
      cMapUrl: `${join(folder, 'cmaps')}/`,
      cMapPacked: true,
    }).promise
  } catch (error) {
    if ((error as Error).name === 'PasswordException')
      throw new Problem(
        415,
        'design-locked',
        'The PDF is locked with a password',
        `"${name}" cannot be opened without its password, and Mosaicus does not ask for it. Save a copy without one, or export the page as PNG.`,
      )
    throw refuseDesign(`"${name}" starts as a PDF but is damaged or breaks off. Export it again.`)
  }
}

/** The pages of a PDF. Throws a Problem where it cannot be opened. */
export async function pdfBoards(bytes: Buffer, name: string): Promise<Board[]> {
  const doc = await open(bytes, name)
  try {
    const boards: Board[] = []
    for (let n = 1; n <= Math.min(doc.numPages, MOST_PAGES); n++) {
      const { width, height } = (await doc.getPage(n)).getViewport({ scale: 1 })
      const scale = rasterWidth(width) / width
      boards.push({ name: `Page ${n}`, width: Math.round(width * scale), height: Math.round(height * scale) })
    }
    return boards
  } finally {
    await doc.loadingTask.destroy()
  }
}

/** One page of a PDF, with its words. @param board counted from 0 */
export async function readPdf(bytes: Buffer, name: string, board: number): Promise<ReadBoard> {
  const doc = await open(bytes, name)
  try {
    if (board >= doc.numPages)
      throw refuseDesign(
        `"${name}" has ${doc.numPages === 1 ? 'one page' : `${doc.numPages} pages`}; page ${board + 1} does not exist.`,
      )
    const page = await doc.getPage(board + 1)
    const points = page.getViewport({ scale: 1 }).width
    const viewport = page.getViewport({ scale: rasterWidth(points) / points })
    const width = Math.round(viewport.width),
      height = Math.round(viewport.height)
    if (width * height > MOST_PIXELS)
      throw refuseDesign(
        `Page ${board + 1} of "${name}" would have ${width} x ${height} px, more than 60 megapixels. Split it, or export it as PNG.`,
      )
    const pixels = await drawn(bytes, board, width, height)
    const { top, bottom } = unpainted(pixels, width, height)
    const png = await sharp(pixels, { raw: { width, height, channels: 4 } })
      .extract({ left: 0, top, width, height: height - top - bottom })
      .flatten({ background: '#ffffff' })
      .removeAlpha()
      .png({ compressionLevel: 6 })
      .toBuffer()
    // Fonts are known by name once the page's drawing was read.
    await page.getOperatorList()
    const content = await page.getTextContent()
    const pieces = content.items.flatMap((item): TextLine[] => {
      if (!('str' in item) || !item.str.trim()) return []
      const t = item.transform as number[],
        v = viewport.transform as number[]
      // Only words that stand upright.
      if (Math.abs(t[1]!) > 0.01 * Math.abs(t[0]!) || t[0]! <= 0) return []
      const at = (x: number, y: number) =>
        [v[0]! * x + v[2]! * y + v[4]!, v[1]! * x + v[3]! * y + v[5]!] as const
      const [x, base] = at(t[4]!, t[5]!)
      const font = fontName(page, item.fontName) ?? content.styles[item.fontName]?.fontFamily ?? ''
      return [
        {
          text: item.str,
          x,
          base: base - top,
          w: item.width * Math.abs(v[0]!),
          size: Math.abs(t[3]!) * Math.abs(v[0]!),
          font,
          bold: /bold|black|heavy|semibold|demi/i.test(font),
          italic: /italic|oblique/i.test(font),
        },
      ]
    })
    return {
      png,
      width,
      height: height - top - bottom,
      layers: { texts: blocksOf(joinPieces(pieces)).slice(0, 2000), shapes: [] },
      notes: doc.numPages > 1 ? [`Page ${board + 1} of ${doc.numPages} was taken.`] : [],
    }
  } finally {
    await doc.loadingTask.destroy()
  }
}

/**
 * A page drawn on nothing: RGBA. The words are read by another library than the one that draws: that one
 * knows every slope of colour, pattern and shadow, and this one tells fonts and places. It runs in
 * WebAssembly, in memory of its own that is given back at once.
 */
async function drawn(bytes: Buffer, page: number, width: number, height: number): Promise<Buffer> {
  const { PDFiumLibrary } = await import('@hyzyla/pdfium')
  const library = await PDFiumLibrary.init()
  try {
    const doc = await library.loadDocument(new Uint8Array(bytes))
    try {
      const { data } = await doc
        .getPage(page)
        .render({ width, height, transparent: true, render: async (o) => o.data })
      return Buffer.from(data.buffer, data.byteOffset, data.byteLength)
    } finally {
      doc.destroy()
    }
  } finally {
    library.destroy()
  }
}

/**
 * Pages are rounded up to whole points, which leaves a few rows that nothing was painted on: how many, px.
 * Where more is bare, the paper is meant.
 */
function unpainted(pixels: Buffer, width: number, height: number): { top: number; bottom: number } {
  const most = 4
  const bare = (y: number) => {
    for (let i = y * width * 4 + 3, end = (y + 1) * width * 4; i < end; i += 4)
      if (pixels[i]! > 250) return false
    return true
  }
  const count = (row: (k: number) => number) => {
    let n = 0
    while (n <= most && n < height && bare(row(n))) n++
    return n > most ? 0 : n
  }
  return { top: count((k) => k), bottom: count((k) => height - 1 - k) }
}

/** The name of a font as the file has it, without the six letters of a subset (ISO 32000-1, 9.6.4). */
function fontName(
  page: { commonObjs: { has(id: string): boolean; get(id: string): unknown } },
  id: string,
): string | null {
  const font = page.commonObjs.has(id) ? (page.commonObjs.get(id) as { name?: string } | null) : null
  return font?.name?.replace(/^[A-Z]{6}\+/, '') ?? null
}
