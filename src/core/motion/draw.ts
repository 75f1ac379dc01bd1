import type { Pen, Slot } from './pen'
import { recipeOf } from './recipes'
import type { Motion } from './schema'
import { joinFrames, type Frame, type Sequence } from './sequence'
import { momentsOf, type Moment } from './timing'

/** What sequences are drawn on: a canvas of the file's size. */
export interface Sheet {
  pen: Pen
  /** px of the file */
  width: number
  height: number
  /** What is on it, RGBA. */
  read: () => Uint8Array | Uint8ClampedArray
}

/** Draws what is shown at a moment, ms of what the picture is made of. */
export type Draw = (pen: Pen, t: number) => void | Promise<void>

/** Size of the file, px. @param width of the slot, px */
export const fileSize = ({ height, density }: Pick<Motion, 'height' | 'density'>, width: number) => ({
  width: Math.max(1, Math.round(width * density)),
  height: Math.max(1, Math.round(height * density)),
})

/** The moments of what a recipe makes; of a strip where one of its pictures follows another. */
export function momentsOfRecipe(motion: Motion): Moment[] {
  const recipe = recipeOf(motion.made)
  if (!recipe) return []
  let end = 0
  const cuts =
    motion.made.kind === 'strip' ? motion.made.frames.slice(0, -1).map((f) => (end += f.delay)) : undefined
  return momentsOf(motion, recipe.length(motion.made), cuts)
}

/** The pictures that are needed to draw a moving picture, by their keys. */
export const picturesOf = ({ made }: Motion): string[] => recipeOf(made)?.pictures(made) ?? []

/** How a recipe draws itself into a slot. */
export function drawerOf(motion: Motion, slot: Slot): Draw {
  const recipe = recipeOf(motion.made)
  return (pen, t) => recipe?.draw(pen, motion.made, t, slot)
}

/** A sequence, and which moment of what it is made of each frame shows first, ms. */
export interface DrawnSequence extends Sequence {
  frames: readonly (Frame & { t: number })[]
}

/**
 * Draws a sequence moment by moment; moments that look the same are one frame.
 * @param scale px of the file for each px of the slot
 * @param tell called with the part that is done, 0 to 1
 */
export async function drawSequence(
  moments: readonly Moment[],
  draw: Draw,
  sheet: Sheet,
  scale: { x: number; y: number },
  loop: number,
  tell: (done: number) => void = () => {},
): Promise<DrawnSequence> {
  const frames: (Frame & { t: number })[] = []
  for (const [i, { t, delay }] of moments.entries()) {
    const { pen } = sheet
    pen.save()
    pen.clearRect(0, 0, sheet.width, sheet.height)
    pen.scale(scale.x, scale.y)
    await draw(pen, t)
    pen.restore()
    frames.push({ data: sheet.read(), delay, t })
    tell((i + 1) / moments.length)
  }
  return { width: sheet.width, height: sheet.height, frames: joinFrames(frames), loop }
}
