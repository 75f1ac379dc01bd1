import { autocut, type Autocut } from '@/core/cut/autocut'
import { buildEmail, type BuildResult } from '@/core/cut/build'
import { contentEdges, type ContentEdges } from '@/core/cut/content'
import { groundOf } from '@/core/cut/ground'
import { readInk } from '@/core/cut/ink'
import type { CutPlan } from '@/core/cut/plan'
import type { Raster, Rect } from '@/core/cut/raster'
import type { Email } from '@/core/email/schema'
import type { PictureRef } from '@/core/tiles/picture/ref'

/** What the page may ask of the worker; every call carries a number that its answer bears too. */
export type CutterCall =
  | { kind: 'load'; url: string }
  | { kind: 'autocut'; scale: number }
  | { kind: 'ground'; rect: Rect }
  | { kind: 'content'; rect: Rect }
  | { kind: 'preview'; plan: CutPlan; emailWidth: number; previous: Email | null }

export interface CutterAnswers {
  load: { width: number; height: number }
  autocut: Autocut
  ground: { color: string; share: number }
  content: ContentEdges
  preview: BuildResult
}

export type CutterMessage = { call: number; progress: number } | { call: number; answer: unknown } | { call: number; error: string }

let raster: Raster | null = null
let canvas: OffscreenCanvas | null = null
/** Quick crops for the preview, by place: addresses of blobs, not the final encoding. */
const crops = new Map<string, string>()

async function load(url: string, progress: (p: number) => void): Promise<CutterAnswers['load']> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`The design could not be read (status ${response.status})`)
  progress(0.1)
  // Colours are taken as they stand: the server has already made them sRGB.
  const bitmap = await createImageBitmap(await response.blob(), { colorSpaceConversion: 'none', premultiplyAlpha: 'none' })
  canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(bitmap, 0, 0)
  bitmap.close()
  const { width, height, data } = context.getImageData(0, 0, canvas.width, canvas.height)
  raster = { width, height, data }
  return { width, height }
}

const loaded = (): Raster => { if (!raster) throw new Error('The design is not loaded yet'); return raster }

async function cropAddress(rect: Rect): Promise<string> {
  const key = `${rect.x},${rect.y},${rect.w},${rect.h}`
  const known = crops.get(key)
  if (known) return known
  const part = new OffscreenCanvas(rect.w, rect.h)
  part.getContext('2d')!.drawImage(canvas!, rect.x, rect.y, rect.w, rect.h, 0, 0, rect.w, rect.h)
  const address = URL.createObjectURL(await part.convertToBlob({ type: 'image/jpeg', quality: 0.92 }))
  crops.set(key, address)
  if (crops.size > 200) { const [oldest, old] = crops.entries().next().value!; URL.revokeObjectURL(old); crops.delete(oldest) }
  return address
}

async function preview(call: Extract<CutterCall, { kind: 'preview' }>): Promise<BuildResult> {
  const r = loaded()
  const pictures = new Map<string, PictureRef>()
  for (const cut of call.plan.cuts) if (cut.kind === 'picture') pictures.set(cut.id, { id: await cropAddress(cut), type: 'image/jpeg', width: cut.w, height: cut.h, bytes: 1 })
  return buildEmail({ plan: call.plan, size: r, emailWidth: call.emailWidth, pictures, previous: call.previous, groundOf: (rect) => groundOf(r, rect), readInk: (rect, ground) => readInk(r, rect, ground) })
}

addEventListener('message', async (event: MessageEvent<CutterCall & { call: number }>) => {
  const { call, ...what } = event.data
  const say = (m: CutterMessage) => postMessage(m)
  const progress = (p: number) => say({ call, progress: p })
  try {
    const answer = what.kind === 'load' ? await load(what.url, progress)
      : what.kind === 'autocut' ? autocut(loaded(), what.scale, progress)
      : what.kind === 'ground' ? groundOf(loaded(), what.rect)
      : what.kind === 'content' ? contentEdges(loaded(), what.rect)
      : await preview(what)
    say({ call, answer })
  } catch (error) {
    say({ call, error: (error as Error).message })
  }
})
