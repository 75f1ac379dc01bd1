/** One picture of a sequence. */
export interface Frame {
  /** RGBA, 4 bytes a pixel, of the whole picture. */
  data: Uint8Array | Uint8ClampedArray
  /** How long it is shown, ms. */
  delay: number
}

/** Pictures of one size, shown one after the other. */
export interface Sequence {
  /** px */
  width: number
  height: number
  frames: readonly Frame[]
  /** How often it is shown; 0: for ever. */
  loop: number
}

/** How long one round lasts, ms. */
export const lengthOf = (frames: readonly Pick<Frame, 'delay'>[]): number =>
  frames.reduce((sum, f) => sum + f.delay, 0)

const same = (a: Frame['data'], b: Frame['data']): boolean => {
  if (a === b) return true
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

/** Frames with neighbours that show the same made one, shown as long as both. */
export function joinFrames<F extends Frame>(frames: readonly F[]): F[] {
  const out: F[] = []
  for (const frame of frames) {
    const last = out.at(-1)
    if (last && same(last.data, frame.data))
      out[out.length - 1] = { ...last, delay: last.delay + frame.delay }
    else out.push(frame)
  }
  return out
}

/** The same for a whole sequence. */
export const joinSame = (sequence: Sequence): Sequence => ({
  ...sequence,
  frames: joinFrames(sequence.frames),
})
