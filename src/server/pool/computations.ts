import type { Autocut } from '@/core/cut/autocut'
import type { BuildInput, BuildResult } from '@/core/cut/build'
import type { DesignLayers } from '@/core/cut/layers'
import type { CutPlan } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import type { PageSheet } from '@/core/house/page'
import type { Email } from '@/core/email/schema'
import type { PictureLook } from '@/core/night/look'
import type { How } from '../destinations/written'
import type { lintCode } from '../interact/lint'
import type { countdownPicture } from '../motion/countdown/draw'
import { brokenDocument } from '../problem'
import { bytesOf, type Content } from '../content'
import type { Part } from '../pictures/encode-part'
import type { Tell } from './progress'

/*
 * Each computation brings its modules with the first call: a process that reads a picture needs neither the compiler nor the parsers of files, and
 * begins in a fraction of the time.
 */
const documents = async () => {
  const [{ readEmail }, { readHouse }, { readPlan }] = await Promise.all([
    import('@/core/tiles/document'),
    import('@/core/email/migrations'),
    import('@/core/cut/plan'),
  ])
  return { readEmail, readHouse, readPlan }
}

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
const storedEmail = async (body: unknown): Promise<Email> => stored((await documents()).readEmail, body)

/**
 * What processes of their own compute: pure functions of what they are given, without the database. Everything that parses or draws what came from outside
 * is here.
 */
export const computations = {
  openDesign: async ({ content, name }: File) =>
    (await import('../designs/read')).openDesign(await bytesOf(content), name),
  readDesign: async ({ content, name, board }: File & { board: number }) =>
    (await import('../designs/read')).readDesign(await bytesOf(content), name, board),
  checkPicture: async ({ content, name }: File) =>
    (await import('../pictures/check')).checkPicture(await bytesOf(content), name),
  cropPicture: async ({ file, rect }: { file: string; rect: Rect }) =>
    (await import('../pictures/crop-file')).cropPicture(file, rect),
  pictureFrame: async ({ file, frame }: { file: string; frame: number }) =>
    (await import('../motion/read')).pictureFrame(file, frame),
  countdown: async (input: Parameters<typeof countdownPicture>[0]) =>
    (await import('../motion/countdown/draw')).countdownPicture(input),
  importFile: async ({ content, name, base }: File & { base?: string }) =>
    (await import('../import/import')).importFile(await bytesOf(content), name, base),
  importHtml: async ({ html }: { html: string }) => (await import('../import/import')).importMarkup(html),
  deckOfFile: async ({ content, name }: File) =>
    (await import('../decks/read')).deckOfFile(await bytesOf(content), name),
  deckOfText: async ({ text, markdown }: { text: string; markdown?: boolean }) =>
    (await import('../decks/read')).deckOfText(text, markdown),
  pageOf: async ({ html, sheets, base }: { html: string; sheets: PageSheet[]; base?: string }) =>
    (await import('../house/read')).pageOf(html, sheets, base),
  linkedSheets: async ({ html }: { html: string }) =>
    (await import('@/core/house/sheets')).linkedSheets(html),
  /** The fonts that a page and its sheets bring. @param base address of the page, and of each sheet its own */
  fontFaces: async ({
    html,
    base,
    sheets,
  }: {
    html: string
    base: string
    sheets: { css: string; base?: string }[]
  }) => {
    const [{ fontFaces }, { ownSheets }] = await Promise.all([
      import('@/core/house/faces'),
      import('@/core/house/sheets'),
    ])
    return [...sheets, ...ownSheets(html).map((css) => ({ css, base }))].flatMap((s) =>
      fontFaces(s.css, s.base),
    )
  },
  fontMeasures: async ({ bytes }: { bytes: Uint8Array }) =>
    (await import('../fonts/measures')).measureFont(Buffer.from(bytes)),
  fontTerms: async ({ bytes }: { bytes: Uint8Array }) =>
    (await import('../fonts/terms')).readTerms(Buffer.from(bytes)),
  pageOfFile: async ({ content, name }: File) =>
    (await import('../house/read')).pageOfFile(await bytesOf(content), name),

  /** An email, compiled for whoever it goes to. @param email, house as they are stored */
  written: async ({ email, house, how }: Stored & { how: How }) => {
    const [{ write }, { withKeptFonts }, { readHouse }] = await Promise.all([
      import('../destinations/written'),
      import('@/core/email/fonts'),
      documents(),
    ])
    const read = readHouse(house)
    // What is looked at here has its letters from here.
    return write(await storedEmail(email), how.writing === 'preview' ? withKeptFonts(read) : read, how)
  },
  /** What the official validator says of an AMP email. */
  checkAmp: async ({ html }: { html: string }) => (await import('../interact/validator')).checkAmp(html),
  /** What is wrong with code that a person wrote, and what readers do not know of it. */
  lintCode: async (input: Parameters<typeof lintCode>[0]) =>
    (await import('../interact/lint')).lintCode(input),
  /** What the pixels of pictures show, in the order of their ids; null where one cannot be read. */
  pictureLooks: async ({ ids }: { ids: string[] }): Promise<(PictureLook | null)[]> => {
    const looks = await (await import('../pictures/looks')).looksOf(ids)
    return ids.map((id) => looks.get(id) ?? null)
  },
  proof: async ({ email, house }: Stored) =>
    (await import('./proof')).proof(await storedEmail(email), (await documents()).readHouse(house)),
  namePictures: async ({ email }: Pick<Stored, 'email'>) =>
    (await import('@/core/handover/names')).namePictures(await storedEmail(email)),
  figures: async ({ email, cuts, house }: Stored & { cuts: unknown }) => {
    const [{ figures }, { readPlan, readHouse }] = await Promise.all([import('./proof'), documents()])
    return figures(
      email ? await storedEmail(email) : null,
      cuts ? stored(readPlan, cuts) : null,
      readHouse(house),
    )
  },

  /** Finds the parts of a design. @param design its file @param scale design px for each px of the email */
  autocut: async (
    { design, scale, layers }: { design: string; scale: number; layers: DesignLayers | null },
    tell: Tell,
  ): Promise<Autocut & { uncovered: Rect[] }> => {
    const [{ autocut }, { withLayers }, { leftOut }, { rasterOf }] = await Promise.all([
      import('@/core/cut/autocut'),
      import('@/core/cut/layers'),
      import('@/core/cut/left-out'),
      import('./raster'),
    ])
    const raster = await rasterOf(design)
    const found = autocut(raster, scale, (done) => tell({ done, total: 1 }))
    const known = layers ? withLayers(found, layers, scale, raster) : found
    return { ...known, uncovered: leftOut(raster, known.cuts, known.panels) }
  },

  /** Encodes a part of a design. */
  encodePart: async ({ design, part }: { design: string; part: Part }) => {
    const [{ encodePart }, { rasterOf }] = await Promise.all([
      import('../pictures/encode-part'),
      import('./raster'),
    ])
    return encodePart(await rasterOf(design), part)
  },

  /** Builds an email from a cut plan. @param narrow the file of its narrow design, where there is one */
  build: async ({
    design,
    narrow,
    ...input
  }: Omit<BuildInput, 'groundOf' | 'readInk' | 'gradientOf' | 'size' | 'narrow'> & {
    design: string
    narrow?: string
  }): Promise<BuildResult> => {
    const [
      { buildEmail },
      { readNarrowDesign },
      { groundOf },
      { linearGradientOf },
      { readInk },
      { rasterOf },
    ] = await Promise.all([
      import('@/core/cut/build'),
      import('@/core/cut/narrow-design'),
      import('@/core/cut/ground'),
      import('@/core/cut/gradient'),
      import('@/core/cut/ink'),
      import('./raster'),
    ])
    const raster = await rasterOf(design)
    const wide = { ...raster, plan: input.plan, groundOf: (r: Rect) => groundOf(raster, r) }
    return buildEmail({
      ...input,
      ...(narrow ? { narrow: readNarrowDesign(wide, await rasterOf(narrow), input.house) } : {}),
      size: raster,
      groundOf: (r) => groundOf(raster, r),
      readInk: (r, g) => readInk(raster, r, g),
      gradientOf: (r, apart) => linearGradientOf(raster, r, apart),
    })
  },

  /** Finds what became of each cut in a new version of a design. */
  replan: async ({ plan, before, after }: { plan: CutPlan; before: string; after: string }) => {
    const [{ replan }, { decodeRaster }] = await Promise.all([
      import('@/core/cut/compare'),
      import('./raster'),
    ])
    return replan(plan, await decodeRaster(before), await decodeRaster(after))
  },
}

export type Computations = typeof computations
