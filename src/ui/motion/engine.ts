import type { WebFont } from '@/core/email/fonts'
import type { Motion } from '@/core/motion/schema'
import type { DrawnSequence } from '@/core/motion/draw'
import type { DrawCall, DrawMessage } from '@/workers/motion/draw'
import type { EncodeCall, EncodeMessage, WeighedStripe, WrittenFile } from '@/workers/motion/encode'
import type { FormCall, FormFile, FormMessage } from '@/workers/motion/forms'
import type { Point } from '@/core/motion/brought'

/** A sequence as it was drawn. */
export type Drawn = DrawnSequence

type Distribute<T> = T extends unknown ? Omit<T, 'call'> : never
type Answer = Exclude<DrawMessage, { progress: number }>

let worker: Worker | null = null
let calls = 0
const waiting = new Map<
  number,
  { answer: (m: Answer) => void; fail: (e: Error) => void; tell?: (done: number) => void }
>()

/** Asks the worker that draws; it keeps pictures and films at hand. */
function ask(what: Distribute<DrawCall>, tell?: (done: number) => void): Promise<Answer> {
  if (!worker) {
    worker = new Worker(new URL('../../workers/motion/draw.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<DrawMessage>) => {
      const asked = waiting.get(data.call)
      if (!asked) return
      if ('progress' in data) return asked.tell?.(data.progress)
      waiting.delete(data.call)
      if ('error' in data) asked.fail(new Error(data.error))
      else asked.answer(data)
    }
    worker.onerror = () => {
      for (const { fail } of waiting.values())
        fail(new Error('The drawing broke off. Change something to try again.'))
      waiting.clear()
      worker = null
    }
  }
  const call = ++calls
  const sent: DrawCall = { ...what, call } as DrawCall
  worker.postMessage(sent)
  return new Promise((answer, fail) => waiting.set(call, { answer, fail, tell }))
}

/** Draws a sequence. Where another is asked for meanwhile, this one never ends. Throws an Error, in words. @param width of the slot, px */
export async function drawMotion(
  motion: Motion,
  width: number,
  of: { webFonts: readonly WebFont[]; dir: 'ltr' | 'rtl'; lang: string },
  tell: (done: number) => void,
): Promise<Drawn> {
  const answer = await ask({ kind: 'draw', motion, width, ...of }, tell)
  if (!('drawn' in answer)) throw new TypeError('no drawing')
  const { frames, ...rest } = answer.drawn
  return { ...rest, frames: frames.map((f) => ({ ...f, data: new Uint8ClampedArray(f.data) })) }
}

/** Size and length of a film. Throws an Error, in words, for one that cannot be decoded here. */
export async function filmFacts(id: string): Promise<{ width: number; height: number; length: number }> {
  const answer = await ask({ kind: 'film', id })
  if (!('film' in answer)) throw new TypeError('no film')
  return answer.film
}

/** The picture of a film at a moment, ms. */
export async function filmPicture(id: string, ms: number): Promise<ImageBitmap> {
  const answer = await ask({ kind: 'filmAt', id, ms })
  if (!('picture' in answer)) throw new TypeError('no picture')
  return answer.picture
}

interface Hear {
  signal: AbortSignal
  onProgress?: (done: number) => void
  onPoint?: (point: Point) => void
}

/**
 * Runs a worker of its own until it answers. Aborting ends it at once.
 * @param hear what a message settles the work with; undefined where it goes on
 */
function alone<M extends object, A>(
  start: () => Worker,
  call: unknown,
  signal: AbortSignal,
  hear: (message: M) => A | undefined,
): Promise<A> {
  return new Promise((resolve, reject) => {
    if (signal.aborted) return reject(new DOMException('Cancelled', 'AbortError'))
    const own = start()
    const end = (settle: () => void) => {
      own.terminate()
      signal.removeEventListener('abort', cancelled)
      settle()
    }
    const cancelled = () => end(() => reject(new DOMException('Cancelled', 'AbortError')))
    signal.addEventListener('abort', cancelled)
    own.onmessage = ({ data }: MessageEvent<M | { error: string }>) => {
      if ('error' in data) return end(() => reject(new Error(data.error)))
      const answer = hear(data)
      if (answer !== undefined) end(() => resolve(answer))
    }
    own.onerror = () =>
      end(() => reject(new Error('The encoding ran out of memory. Make the picture smaller or shorter.')))
    own.postMessage(call)
  })
}

/** Runs one encoding. */
export const encode = (
  call: EncodeCall,
  hear: Hear,
): Promise<{ written?: WrittenFile; best?: Point; stripe?: WeighedStripe | null }> =>
  alone(
    () => new Worker(new URL('../../workers/motion/encode.ts', import.meta.url), { type: 'module' }),
    call,
    hear.signal,
    (m: Exclude<EncodeMessage, { error: string }>) => {
      if ('progress' in m) hear.onProgress?.(m.progress)
      if ('point' in m) hear.onPoint?.(m.point)
      return 'written' in m || 'best' in m || 'stripe' in m ? m : undefined
    },
  )

/** Makes a file of another form than GIF. Throws an Error, in words, where this browser cannot. */
export const formFile = (call: FormCall, hear: Omit<Hear, 'onPoint'>): Promise<FormFile> =>
  alone(
    () => new Worker(new URL('../../workers/motion/forms.ts', import.meta.url), { type: 'module' }),
    call,
    hear.signal,
    (m: Exclude<FormMessage, { error: string }>) => {
      if ('progress' in m) hear.onProgress?.(m.progress)
      return 'file' in m ? m.file : undefined
    },
  )
