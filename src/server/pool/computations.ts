import { autocut, type Autocut } from '@/core/cut/autocut'
import { readNarrowDesign } from '@/core/cut/narrow-design'
import { buildEmail, type BuildInput, type BuildResult } from '@/core/cut/build'
import { replan } from '@/core/cut/compare'
import { groundOf } from '@/core/cut/ground'
import { readInk } from '@/core/cut/ink'
import { withLayers, type DesignLayers } from '@/core/cut/layers'
import { leftOut } from '@/core/cut/left-out'
import { readPlan, type CutPlan } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import { fontFaces } from '@/core/house/faces'
import { linkedSheets, ownSheets } from '@/core/house/sheets'
import { readHouse } from '@/core/email/migrations'
import type { Email } from '@/core/email/schema'
import { namePictures } from '@/core/handover/names'
import type { PictureLook } from '@/core/night/look'
import { readEmail } from '@/core/tiles/document'
import { withKeptFonts } from '@/core/email/fonts'
import { write, type How } from '../destinations/written'
import { brokenDocument } from '../problem'
import { figures, proof } from './proof'
import { bytesOf, type Content } from '../content'
import { deckOfFile, deckOfText } from '../decks/read'
import { openDesign, readDesign } from '../designs/read'
import { measureFont } from '../fonts/measures'
import { readTerms } from '../fonts/terms'
import { pageOf, pageOfFile } from '../house/read'
import { lintCode } from '../interact/lint'
import { checkAmp } from '../interact/validator'
import { importFile, importHtml } from '../import/import'
import { checkPicture } from '../pictures/check'
import { countdownPicture } from '../motion/countdown/draw'
import { pictureFrame } from '../motion/read'
import { cropPicture } from '../pictures/crop-file'
import { encodePart, type Part } from '../pictures/encode-part'
import { looksOf } from '../pictures/looks'
import { decodeRaster, rasterOf } from './raster'

/** How far a computation is. */
export type Tell = (progress: { done: number; total: number }) => void

interface File {
  content: Content
  name: string
}

/** Documents as they are stored. */
interface Stored {
  email: unknown
  house: unknown
}

/** A document as it is stored, read. Throws a Problem (422) where it is none. */
function stored<T>(read: (body: unknown) => T, body: unknown): T {
  try {
    return read(body)
  } catch (error) {
    throw brokenDocument(error)
  }
}
const storedEmail = (body: unknown): Email => stored(readEmail, body)

/**
 * What worker threads compute: pure functions of what they are given, without the database. Everything that parses or draws what came from outside
 * is here.
 */
export const computations = {
  openDesign: async ({ content, name }: File) => openDesign(await bytesOf(content), name),
  readDesign: async ({ content, name, board }: File & { board: number }) =>
    readDesign(await bytesOf(content), name, board),
  checkPicture: async ({ content, name }: File) => checkPicture(await bytesOf(content), name),
  cropPicture: ({ file, rect }: { file: string; rect: Rect }) => cropPicture(file, rect),
  pictureFrame: ({ file, frame }: { file: string; frame: number }) => pictureFrame(file, frame),
  countdown: countdownPicture,
  importFile: async ({ content, name, base }: File & { base?: string }) =>
    importFile(await bytesOf(content), name, base),
  importHtml: ({ html }: { html: string }) => importHtml(html),
  deckOfFile: async ({ content, name }: File) => deckOfFile(await bytesOf(content), name),
  deckOfText: ({ text, markdown }: { text: string; markdown?: boolean }) => deckOfText(text, markdown),
  pageOf: ({ html, sheets, base }: { html: string; sheets: string[]; base?: string }) =>
    pageOf(html, sheets, base),
  linkedSheets: ({ html }: { html: string }) => linkedSheets(html),
  /** The fonts that a page and its sheets bring. @param base address of the page, and of each sheet its own */
  fontFaces: ({
    html,
    base,
    sheets,
  }: {
    html: string
    base: string
    sheets: { css: string; base?: string }[]
  }) =>
    [...sheets, ...ownSheets(html).map((css) => ({ css, base }))].flatMap((s) => fontFaces(s.css, s.base)),
  fontMeasures: ({ bytes }: { bytes: Uint8Array }) => measureFont(Buffer.from(bytes)),
  fontTerms: ({ bytes }: { bytes: Uint8Array }) => readTerms(Buffer.from(bytes)),
  pageOfFile: async ({ content, name }: File) => pageOfFile(await bytesOf(content), name),

  /** An email, compiled for whoever it goes to. @param email, house as they are stored */
  written: ({ email, house, how }: Stored & { how: How }) => {
    const read = readHouse(house)
    // What is looked at here has its letters from here.
    return write(storedEmail(email), how.writing === 'preview' ? withKeptFonts(read) : read, how)
  },
  /** What the official validator says of an AMP email. */
  checkAmp: ({ html }: { html: string }) => checkAmp(html),
  /** What is wrong with code that a person wrote, and what readers do not know of it. */
  lintCode,
  /** What the pixels of pictures show, in the order of their ids; null where one cannot be read. */
  pictureLooks: async ({ ids }: { ids: string[] }): Promise<(PictureLook | null)[]> => {
    const looks = await looksOf(ids)
    return ids.map((id) => looks.get(id) ?? null)
  },
  proof: ({ email, house }: Stored) => proof(storedEmail(email), readHouse(house)),
  namePictures: ({ email }: Pick<Stored, 'email'>) => namePictures(storedEmail(email)),
  figures: ({ email, cuts, house }: Stored & { cuts: unknown }) =>
    figures(email ? storedEmail(email) : null, cuts ? stored(readPlan, cuts) : null, readHouse(house)),

  /** Finds the parts of a design. @param design its file @param scale design px for each px of the email */
  autocut: async (
    { design, scale, layers }: { design: string; scale: number; layers: DesignLayers | null },
    tell: Tell,
  ): Promise<Autocut & { uncovered: Rect[] }> => {
    const raster = await rasterOf(design)
    const found = autocut(raster, scale, (done) => tell({ done, total: 1 }))
    const known = layers ? withLayers(found, layers, scale, raster) : found
    return { ...known, uncovered: leftOut(raster, known.cuts, known.panels) }
  },

  /** Encodes a part of a design. */
  encodePart: async ({ design, part }: { design: string; part: Part }) =>
    encodePart(await rasterOf(design), part),

  /** Builds an email from a cut plan. @param narrow the file of its narrow design, where there is one */
  build: async ({
    design,
    narrow,
    ...input
  }: Omit<BuildInput, 'groundOf' | 'readInk' | 'size' | 'narrow'> & {
    design: string
    narrow?: string
  }): Promise<BuildResult> => {
    const raster = await rasterOf(design)
    const wide = { ...raster, plan: input.plan, groundOf: (r: Rect) => groundOf(raster, r) }
    return buildEmail({
      ...input,
      ...(narrow ? { narrow: readNarrowDesign(wide, await rasterOf(narrow), input.house) } : {}),
      size: raster,
      groundOf: (r) => groundOf(raster, r),
      readInk: (r, g) => readInk(raster, r, g),
    })
  },

  /** Finds what became of each cut in a new version of a design. */
  replan: async ({ plan, before, after }: { plan: CutPlan; before: string; after: string }) =>
    replan(plan, await decodeRaster(before), await decodeRaster(after)),
}

export type Computations = typeof computations
