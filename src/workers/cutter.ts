import { autocut, type Autocut } from '@/core/cut/autocut'
import { drawnFor } from '@/core/cut/reading/channels'
import { groundBehind } from '@/core/cut/reading/plain-ground'
import { clearedOf } from '@/core/cut/cleared'
import { buildEmail, type BuildResult } from '@/core/cut/build'
import { contentEdges, type ContentEdges } from '@/core/cut/content'
import { cutout, laidOn, vanishing } from '@/core/cut/cutout'
import { linearGradientOf } from '@/core/cut/gradient'
import { groundOf, type Ground } from '@/core/cut/ground'
import { readInk } from '@/core/cut/ink'
import { withLayers, type DesignLayers } from '@/core/cut/layers'
import { cleaned } from '@/core/cut/inpaint'
import { leftOut } from '@/core/cut/left-out'
import { exactly } from '@/core/cut/mask'
import { paletteOf, pickColor, type PaletteColor } from '@/core/cut/palette'
import { bestPart, gapsIn, inkIn } from '@/core/cut/parting'
import { asBuilt, groundId, type Cut, type CutPlan, type Panel } from '@/core/cut/plan'
import { packed, packHex, type Raster, type Rect } from '@/core/cut/raster'
import type { ReadLine } from '@/core/cut/reading/lines'
import type { View } from '@/core/cut/reading/reader'
import { withWords } from '@/core/cut/reading/worded'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'

/** What the page may ask of the worker; every call carries a number that its answer bears too. */
export type CutterCall =
  | { kind: 'load'; url: string }
  /** `lines`: the words of the whole design, where they were read before. */
  | { kind: 'autocut'; scale: number; layers: DesignLayers | null; lines?: readonly ReadLine[] }
  | { kind: 'ground'; rect: Rect }
  | { kind: 'content'; rect: Rect }
  | { kind: 'trim'; rect: Rect }
  /** Where a cut may be parted, and the lines of its ink. */
  | { kind: 'parting'; rect: Rect; ground: string | null }
  | { kind: 'leftOut'; cuts: readonly Cut[]; panels: readonly Panel[] }
  | { kind: 'palette'; rect: Rect | null }
  | { kind: 'pick'; x: number; y: number; side: 1 | 3 | 5 }
  | { kind: 'mark'; rect: Rect; ground: string; on: readonly string[] }
  /** A part of the design drawn to be read. */
  | { kind: 'view'; view: View }
  | { kind: 'preview'; plan: CutPlan; emailWidth: number; previous: Email | null; house: HouseStyle }

export interface CutterAnswers {
  load: { width: number; height: number }
  autocut: Autocut
  ground: Ground
  content: ContentEdges
  /** The rectangle drawn in to what stands in it. */
  trim: Rect
  parting: { across: number; down: number; lines: Rect[] }
  leftOut: Rect[]
  palette: PaletteColor[]
  pick: string
  /** A mark without its ground as PNG, and how much of it would vanish on each colour asked about, 0 to 1. */
  mark: { png: Blob; vanishing: number[]; seamless: boolean }
  view: Blob
  preview: BuildResult
}

export type CutterMessage =
  { call: number; progress: number } | { call: number; answer: unknown } | { call: number; error: string }

let raster: Raster | null = null
let canvas: OffscreenCanvas | null = null
/** Quick crops for the preview, by place: addresses of blobs, not the final encoding. */
const crops = new Map<string, string>()

async function load(url: string, progress: (p: number) => void): Promise<CutterAnswers['load']> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`The design could not be read (status ${response.status})`)
  progress(0.1)
  // Colours are taken as they stand: the server has already made them sRGB.
  const bitmap = await createImageBitmap(await response.blob(), {
    colorSpaceConversion: 'none',
    premultiplyAlpha: 'none',
  })
  canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(bitmap, 0, 0)
  bitmap.close()
  const { width, height, data } = context.getImageData(0, 0, canvas.width, canvas.height)
  raster = { width, height, data }
  return { width, height }
}

const loaded = (): Raster => {
  if (!raster) throw new Error('The design is not loaded yet')
  return raster
}

async function cropAddress(rect: Rect): Promise<string> {
  const key = `${rect.x},${rect.y},${rect.w},${rect.h}`
  const known = crops.get(key)
  if (known) return known
  const part = new OffscreenCanvas(rect.w, rect.h)
  part.getContext('2d')!.drawImage(canvas!, rect.x, rect.y, rect.w, rect.h, 0, 0, rect.w, rect.h)
  const address = URL.createObjectURL(await part.convertToBlob({ type: 'image/jpeg', quality: 0.92 }))
  crops.set(key, address)
  if (crops.size > 200) {
    const [oldest, old] = crops.entries().next().value!
    URL.revokeObjectURL(old)
    crops.delete(oldest)
  }
  return address
}

async function preview(call: Extract<CutterCall, { kind: 'preview' }>): Promise<BuildResult> {
  const r = loaded()
  const pictures = new Map<string, PictureRef>()
  for (const cut of call.plan.cuts.map(asBuilt))
    if (cut.kind === 'picture' && !cut.own)
      pictures.set(cut.id, {
        id: await cropAddress(cut),
        type: 'image/jpeg',
        width: cut.w,
        height: cut.h,
        bytes: 1,
      })
  const scale = r.width / call.emailWidth
  for (const panel of call.plan.panels)
    if (panel.picture) pictures.set(groundId(panel), await groundPicture(r, panel, call.plan, scale))
  return buildEmail({
    plan: call.plan,
    size: r,
    emailWidth: call.emailWidth,
    pictures,
    previous: call.previous,
    house: call.house,
    groundOf: (rect) => groundOf(r, rect),
    readInk: (rect, ground) => readInk(r, rect, ground),
    gradientOf: (rect, apart) => linearGradientOf(r, rect, apart),
  })
}

function partingOf(r: Raster, rect: Rect, ground: string | null): CutterAnswers['parting'] {
  return {
    across: bestPart(gapsIn(r, rect, 'across'), rect, 'across'),
    down: bestPart(gapsIn(r, rect, 'down'), rect, 'down'),
    lines: inkIn(r, rect, ground ?? groundOf(r, rect).color),
  }
}

/** A picture behind a band without what stands on it, as a quick crop. */
async function groundPicture(r: Raster, panel: Panel, plan: CutPlan, scale: number): Promise<PictureRef> {
  const { x, y, w, h } = panel
  const cleared = clearedOf(panel, plan, scale)
  const key = `${x},${y},${w},${h} ${JSON.stringify(cleared)}`
  let id = crops.get(key)
  if (!id) {
    id = URL.createObjectURL(await pngOf(cleaned({ raster: r, rect: { x, y, w, h }, ...cleared, scale })))
    crops.set(key, id)
  }
  return { id, type: 'image/png', width: w, height: h, bytes: 1 }
}

async function pngOf(r: Raster): Promise<Blob> {
  const sheet = new OffscreenCanvas(r.width, r.height)
  sheet.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(r.data), r.width, r.height), 0, 0)
  return sheet.convertToBlob({ type: 'image/png' })
}

async function mark({
  rect,
  ground,
  on,
}: Extract<CutterCall, { kind: 'mark' }>): Promise<CutterAnswers['mark']> {
  const r = loaded()
  const cut = cutout(r, rect, ground)
  const back = laidOn(cut, ground)
  let worst = 0
  for (let y = 0; y < rect.h; y++)
    for (let x = 0; x < rect.w; x++)
      for (let k = 0; k < 3; k++)
        worst = Math.max(
          worst,
          Math.abs(
            back.data[(y * rect.w + x) * 4 + k]! - r.data[((rect.y + y) * r.width + rect.x + x) * 4 + k]!,
          ),
        )
  return { png: await pngOf(cut), vanishing: on.map((c) => vanishing(cut, c)), seamless: worst <= 1 }
}

/** A part of the design drawn to be read, with a margin of its own ground around it. */
async function view({ rect, zoom, margin = 0, way }: View): Promise<Blob> {
  const [width, height] = [rect.w, rect.h].map((side) => Math.max(1, Math.round(side * zoom)))
  const part = new OffscreenCanvas(width! + 2 * margin, height! + 2 * margin)
  const context = part.getContext('2d', { willReadFrequently: true })!
  const ground = groundBehind(loaded(), rect)
  context.fillStyle = ground
  context.fillRect(0, 0, part.width, part.height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(canvas!, rect.x, rect.y, rect.w, rect.h, margin, margin, width!, height!)
  if (way) {
    const pixels = context.getImageData(0, 0, part.width, part.height)
    drawnFor(pixels, way, ground)
    context.putImageData(pixels, 0, 0)
  }
  return part.convertToBlob({ type: 'image/png' })
}

function answerTo(what: CutterCall, progress: (p: number) => void): unknown {
  switch (what.kind) {
    case 'load':
      return load(what.url, progress)
    case 'autocut': {
      const cut = autocut(loaded(), what.scale, progress)
      const { lines, scale } = what
      const found = lines?.length ? withWords(cut, { lines, raster: loaded(), scale }) : cut
      return what.layers ? withLayers(found, what.layers, scale, loaded()) : found
    }
    case 'ground':
      return groundOf(loaded(), what.rect)
    case 'content':
      return contentEdges(loaded(), what.rect)
    case 'parting':
      return partingOf(loaded(), what.rect, what.ground)
    case 'trim': {
      const r = loaded()
      return exactly(
        packed(r),
        r.width,
        what.rect,
        packHex(groundOf(r, what.rect).color),
        12,
        Math.max(what.rect.w, what.rect.h),
      )
    }
    case 'leftOut':
      return leftOut(loaded(), what.cuts, what.panels)
    case 'palette':
      return paletteOf(loaded(), what.rect ?? undefined)
    case 'pick':
      return pickColor(loaded(), what.x, what.y, what.side)
    case 'mark':
      return mark(what)
    case 'view':
      return view(what.view)
    case 'preview':
      return preview(what)
  }
}

addEventListener('message', async (event: MessageEvent<CutterCall & { call: number }>) => {
  const { call, ...what } = event.data
  const say = (m: CutterMessage) => postMessage(m)
  const progress = (p: number) => say({ call, progress: p })
  try {
    const answer = await answerTo(what, progress)
    say({ call, answer })
  } catch (error) {
    say({ call, error: (error as Error).message })
  }
})
