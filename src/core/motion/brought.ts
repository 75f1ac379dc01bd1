import { writeGif, type GifSettings, type WrittenGif } from './gif/write'
import { alikeTo, type Alike } from './likeness'
import { scaled } from './scale'
import type { Motion } from './schema'
import { lengthOf, type Sequence } from './sequence'

/** How much a moving picture is brought down. */
export type Squeeze = Pick<Motion, 'colors' | 'loss' | 'dither'> & {
  /** Factors of the file's size and of its pictures a second, at most 1. */
  size: number
  rate: number
}

/** One way to write it, and what it comes to. */
export interface Point extends Alike {
  squeeze: Squeeze
  bytes: number
  /** Whether it was reckoned from a sample, not written whole. */
  reckoned?: boolean
}

/** A sequence with fewer pictures a second, and smaller. The first picture stays the first. */
export function brought(source: Sequence, { size, rate }: Pick<Squeeze, 'size' | 'rate'>): Sequence {
  const every = 1 / rate
  const kept = source.frames.flatMap((frame, i) => {
    const n = Math.floor(i / every + 1e-9)
    if (i && Math.floor((i - 1) / every + 1e-9) === n) return []
    const end = source.frames.findIndex((_, k) => k > i && Math.floor(k / every + 1e-9) > n)
    return [{ ...frame, delay: lengthOf(source.frames.slice(i, end < 0 ? undefined : end)) }]
  })
  if (size === 1) return { ...source, frames: kept }
  const width = Math.max(1, Math.round(source.width * size))
  const height = Math.max(1, Math.round(source.height * size))
  const frames = kept.map((f) => ({ ...f, data: scaled({ ...source, data: f.data }, width, height).data }))
  return { ...source, width, height, frames }
}

/** A sequence written so, and how alike it is. */
export function tried(
  source: Sequence,
  squeeze: Squeeze,
  pinned: GifSettings['pinned'],
  alike: (made: Pick<Sequence, 'width' | 'height' | 'frames'>) => Alike = alikeTo(source),
): Point & { written: WrittenGif } {
  const sequence = brought(source, squeeze)
  const written = writeGif(sequence, { ...squeeze, pinned })
  return { squeeze, bytes: written.bytes.length, ...alike({ ...sequence, frames: written.shown }), written }
}
