import type { Stretch } from '../bench/ties'

/** Places of the bands in the wide lens, and how tall it is, px. */
export interface Measured {
  marks: ReadonlyMap<string, Stretch>
  height: number
}
