import type { Point } from '@/core/motion/brought'
import { fit } from '@/core/motion/fit'
import { movingStripe, type Stripe } from '@/core/motion/stripe'
import { writeGif, type GifSettings } from '@/core/motion/gif/write'
import { alikeTo, type Alike } from '@/core/motion/likeness'
import { lengthOf, type Sequence } from '@/core/motion/sequence'

/** What the page asks for: a sequence as a file, or the best way to write it within a budget. One worker does one thing; ending it cancels it. */
export type EncodeCall =
  | { kind: 'write'; sequence: Sequence; settings: GifSettings }
  | { kind: 'fit'; sequence: Sequence; settings: GifSettings; budget: number }
  | { kind: 'stripe'; sequence: Sequence; settings: GifSettings; height: number }

export interface WrittenFile extends Alike {
  bytes: Uint8Array
  frames: number
  /** ms */
  ms: number
}

/** The stripe that moves, and what it weighs alone. */
export type WeighedStripe = Omit<Stripe, 'sequence'> & { bytes: number }

export type EncodeMessage =
  | { progress: number }
  | { point: Point; progress: number }
  | { written: WrittenFile }
  | { best: Point }
  | { stripe: WeighedStripe | null }
  | { error: string }

const post = (message: EncodeMessage) => self.postMessage(message)

self.onmessage = ({ data }: MessageEvent<EncodeCall>) => {
  try {
    answer(data)
  } catch (error) {
    post({ error: (error as Error).message })
  }
}

function answer(data: EncodeCall): void {
  const { sequence, settings } = data
  if (data.kind === 'fit') {
    const search = fit(sequence, data.budget, settings)
    let step = search.next()
    for (; !step.done; step = search.next()) post({ point: step.value.point, progress: step.value.done })
    return post({ best: step.value })
  }
  if (data.kind === 'stripe') {
    const found = movingStripe(sequence, data.height)
    if (!found) return post({ stripe: null })
    const { sequence: alone, ...where } = found
    return post({ stripe: { ...where, bytes: writeGif(alone, settings).bytes.length } })
  }
  const written = writeGif(sequence, settings, (done) => post({ progress: done * 0.9 }))
  const alike = alikeTo(sequence)({ ...sequence, frames: written.shown })
  const { bytes, shown } = written
  post({ written: { bytes, frames: shown.length, ms: lengthOf(shown), ...alike } })
}
