import { gunzipSync } from 'node:zlib'
import sharp from 'sharp'
import { cleaned } from '@/core/cut/clean'
import { guessSize, type SizeGuess } from '@/core/cut/density'
import { groundOf } from '@/core/cut/ground'
import { readInk } from '@/core/cut/ink'
import { layersSchema, type DesignLayers } from '@/core/cut/layers'
import { overlap, type Raster } from '@/core/cut/raster'
import { newPicture, type NewPicture } from '../pictures/kept'
import { decode } from '../import/decode'
import { Problem } from '../problem'
import { MOST_BYTES, refuseDesign, type Board, type ReadBoard } from './board'
import { isLayered, layeredBoards, readLayered } from './layered'
import { isPdf, pdfBoards, readPdf } from './pdf'
import { readPixels } from './pixels'
import { isSvg, readSvg } from './svg'

export type DesignType = 'picture' | 'svg' | 'pdf' | 'layered'

/** A design's file, opened: its kind, told by its content, and the pages or artboards to choose from. */
export interface OpenedDesign {
  type: DesignType
  boards: (Board & SizeGuess)[]
}

/** A board that was read: its pixels, which nobody has kept yet, and what its file knows beyond them. */
export interface ReadDesign {
  type: DesignType
  picture: NewPicture
  layers: DesignLayers | null
  notes: string[]
}

function typeOf(bytes: Buffer, name: string): DesignType {
  if (!bytes.length)
    throw refuseDesign(`"${name}" is empty (0 bytes). Export the design again and drop the new file.`)
  if (bytes.length > MOST_BYTES)
    throw new Problem(
      413,
      'design-too-heavy',
      'The design is too heavy',
      `"${name}" has ${(bytes.length / 1048576).toFixed(0)} MB; at most 60 MB can be taken in. Export it as PNG or JPEG at double size.`,
    )
  if (isLayered(bytes)) return 'layered'
  if (isPdf(bytes)) return 'pdf'
  return isSvg(decode(bytes.subarray(0, 4096))) ? 'svg' : 'picture'
}

/** A design that came packed (SVGZ: gzip, RFC 1952), unpacked as far as a design may be heavy. */
function unpacked(bytes: Buffer, name: string): Buffer {
  if (bytes[0] !== 0x1f || bytes[1] !== 0x8b) return bytes
  try {
    return gunzipSync(bytes, { maxOutputLength: MOST_BYTES })
  } catch (error) {
    throw refuseDesign(
      (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE'
        ? `"${name}" unpacks to more than 60 MB. Save it again without packing, or export it as PNG.`
        : `"${name}" is packed but damaged or breaks off. Save it again without packing.`,
    )
  }
}

/**
 * Opens a design's file and says what can be chosen in it. Throws a Problem that says what is wrong with it.
 */
export async function openDesign(sent: Buffer, name: string): Promise<OpenedDesign> {
  const bytes = unpacked(sent, name)
  const type = typeOf(bytes, name)
  const boards =
    type === 'pdf'
      ? await pdfBoards(bytes, name)
      : type === 'layered'
        ? layeredBoards(bytes, name)
        : [await whole(bytes, name, type)]
  return { type, boards: boards.map((b) => ({ ...b, ...guessSize(b.width) })) }
}

async function whole(bytes: Buffer, name: string, type: DesignType): Promise<Board> {
  if (type === 'svg') {
    const { width, height } = await readSvg(bytes, name)
    return { name: 'Drawing', width, height }
  }
  const { width, height } = (await readPixels(bytes, name)).ref
  return { name: 'Picture', width, height }
}

/**
 * Reads one board of a design: its pixels as opaque sRGB PNG, and the words and shapes its file carries.
 * @param board counted from 0
 */
export async function readDesign(sent: Buffer, name: string, board: number): Promise<ReadDesign> {
  const bytes = unpacked(sent, name)
  const type = typeOf(bytes, name)
  if (type === 'picture') return { type, picture: await readPixels(bytes, name), layers: null, notes: [] }
  const read: ReadBoard =
    type === 'svg'
      ? await readSvg(bytes, name)
      : type === 'pdf'
        ? await readPdf(bytes, name, board)
        : await readLayered(bytes, name, board)
  const picture = newPicture(read.png, { type: 'image/png', width: read.width, height: read.height })
  const { data, info } = await sharp(read.png).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  const layers = layersSchema.safeParse(
    withColors(read.layers, { width: info.width, height: info.height, data }),
  )
  return { type, picture, layers: layers.success ? layers.data : null, notes: read.notes }
}

/** Colours that a file does not tell with its words are read off its picture. */
function withColors(layers: DesignLayers, design: Raster): DesignLayers {
  const { raster } = cleaned(design)
  return {
    ...layers,
    texts: layers.texts.map((t) => {
      const rect = overlap(
        { x: Math.floor(t.x), y: Math.floor(t.y), w: Math.ceil(t.w), h: Math.ceil(t.h) },
        { x: 0, y: 0, w: raster.width, h: raster.height },
      )
      if (t.color || !rect) return t
      const color = readInk(raster, rect, groundOf(raster, rect).color).color
      return color ? { ...t, color } : t
    }),
  }
}
