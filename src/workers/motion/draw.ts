import { endWords } from '@/core/motion/countdown/moment'
import {
  drawerOf,
  drawSequence,
  fileSize,
  momentsOfRecipe,
  picturesOf,
  type Draw,
  type Sheet,
} from '@/core/motion/draw'
import { filmLength, filmAt } from '@/core/motion/film'
import { drawFilm } from '@/core/motion/film-draw'
import { drawWords } from '@/core/motion/letters'
import { fontFamily, type WebFont } from '@/core/email/fonts'
import type { Pen, Slot } from '@/core/motion/pen'
import type { Motion } from '@/core/motion/schema'
import { momentsOf, type Moment } from '@/core/motion/timing'
import { openFilm, pictureAt, picturesAt } from './films'
import { withFonts } from './fonts'
import { picturesFor } from './pictures'

/** What the page asks for: a sequence drawn, or a look into a film. */
export type DrawCall =
  | {
      call: number
      kind: 'draw'
      motion: Motion
      width: number
      webFonts: readonly WebFont[]
      dir: 'ltr' | 'rtl'
      lang: string
    }
  | { call: number; kind: 'film'; id: string }
  | { call: number; kind: 'filmAt'; id: string; ms: number }

export interface DrawnFrame {
  data: ArrayBuffer
  /** ms */
  delay: number
  /** Moment of what it is made of, ms. */
  t: number
}

export type DrawMessage =
  | { call: number; progress: number }
  | {
      call: number
      drawn: { width: number; height: number; loop: number; frames: DrawnFrame[] }
    }
  | { call: number; film: { width: number; height: number; length: number } }
  | { call: number; picture: ImageBitmap }
  | { call: number; error: string }

/** The latest drawing that was asked for: what came before it is of no use any more. */
let latest = 0

class Superseded extends Error {}

const post = (message: DrawMessage, transfer: Transferable[] = []) => self.postMessage(message, { transfer })

self.onmessage = ({ data }: MessageEvent<DrawCall>) => {
  const { call } = data
  if (data.kind === 'draw') latest = call
  answer(data).catch((error: Error) => {
    if (!(error instanceof Superseded)) post({ call, error: error.message })
  })
}

async function answer(data: DrawCall): Promise<void> {
  const { call } = data
  if (data.kind === 'draw') return drawn(data)
  const film = await openFilm(data.id)
  if (data.kind === 'film') {
    const { width, height, length } = film
    return post({ call, film: { width, height, length } })
  }
  const canvas = await pictureAt(film, data.ms)
  if (!canvas) throw new Error('The film has no picture there.')
  const picture = await createImageBitmap(canvas)
  post({ call, picture }, [picture])
}

async function drawn({ call, motion, width, webFonts, dir, lang }: Extract<DrawCall, { kind: 'draw' }>) {
  const size = fileSize(motion, width)
  const canvas = new OffscreenCanvas(size.width, size.height)
  const pen = canvas.getContext('2d', { willReadFrequently: true })!
  const sheet: Sheet = {
    ...size,
    pen: pen as unknown as Pen,
    read: () => pen.getImageData(0, 0, size.width, size.height).data,
  }
  const [pictures] = await Promise.all([picturesFor(picturesOf(motion)), withFonts(webFonts)])
  const slot: Slot = {
    width,
    height: motion.window?.of ?? motion.height,
    picture: (id) => pictures.get(id) ?? null,
    family: (font) => fontFamily(font, webFonts),
    dir,
  }
  const { moments, draw, end } = await drawingOf(motion, slot, lang)
  const scale = { x: size.width / width, y: size.height / motion.height }
  const sequence = await drawSequence(
    moments,
    async (p, t) => {
      if (latest !== call) throw new Superseded()
      p.translate(0, -(motion.window?.top ?? 0))
      await draw(p, t)
    },
    sheet,
    scale,
    motion.loop,
    (progress) => post({ call, progress }),
  ).finally(end)
  const frames = sequence.frames.map(({ data, delay, t }) => ({ data: data.buffer as ArrayBuffer, delay, t }))
  post(
    { call, drawn: { width: size.width, height: size.height, loop: motion.loop, frames } },
    frames.map((f) => f.data),
  )
}

/** What is drawn when, for what each kind is made of. */
async function drawingOf(
  motion: Motion,
  slot: Slot,
  lang: string,
): Promise<{ moments: Moment[]; draw: Draw; end?: () => void }> {
  const { made } = motion
  if (made.kind === 'film') {
    const film = await openFilm(made.film.id)
    const moments = momentsOf(motion, filmLength(made))
    // Drawn in this order, each once.
    const pictures = picturesAt(
      film,
      moments.map((m) => filmAt(made, m.t).film),
    )
    return {
      moments,
      draw: async (pen, t) => {
        const { value } = await pictures.next()
        drawFilm(pen, made, t, value ?? null, slot)
      },
      end: () => void pictures.return(undefined),
    }
  }
  if (made.kind === 'countdown') return { moments: [{ t: 0, delay: 100 }], draw: stillOf(motion, slot, lang) }
  return { moments: momentsOfRecipe(motion), draw: drawerOf(motion, slot) }
}

/** What stands for a countdown where nobody answers: the day it ends, in its colours. */
function stillOf({ made, height }: Motion, slot: Slot, lang: string): Draw {
  if (made.kind !== 'countdown') throw new TypeError('no countdown')
  const { ground, digits } = made.colors
  const words = endWords(made, lang) || made.over
  const size = Math.min(height * 0.4, (slot.width * 1.7) / Math.max(8, words.length))
  const font = made.face === 'serif' ? 'serif' : made.face === 'mono' ? 'mono' : 'sans'
  return (pen) => {
    if (ground !== 'clear') {
      pen.fillStyle = ground
      pen.fillRect(0, 0, slot.width, slot.height)
    }
    drawWords(pen, { font, size, bold: true, color: digits, align: 'center' }, words, slot)
  }
}
