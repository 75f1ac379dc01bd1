import type { DesignLayers } from '@/core/cut/layers'
import { Problem } from '../problem'

/** Most pixels a design may have, and most bytes its file. */
export const MOST_PIXELS = 60_000_000
/** Longest side of a design, px. */
export const MOST_SIDE = 40_000
export const MOST_BYTES = 60 * 1024 * 1024

/** One page or artboard of a design's file, as it can be chosen. Sizes in px as it would be taken in. */
export interface Board {
  name: string
  width: number
  height: number
}

/** A board that was read: opaque sRGB as PNG, and what its file knows beyond the pixels. */
export interface ReadBoard {
  png: Buffer
  width: number
  height: number
  layers: DesignLayers
  /** What the person should know, a sentence each. */ notes: string[]
}

export const refuseDesign = (why: string): Problem =>
  new Problem(415, 'not-a-design', 'This file is not a design Mosaicus can read', why)
