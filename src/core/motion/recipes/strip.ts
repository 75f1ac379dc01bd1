import type { Strip, StripFrame } from '../made'
import { cover } from './parts'
import { recipe } from './recipe'

/** A frame's picture among those at hand. */
export function frameKey({ pictures }: Pick<Strip, 'pictures'>, { of, page }: StripFrame): string {
  const { id } = pictures[of] ?? pictures[0]!
  return page ? `${id}#${page}` : id
}

/** Pictures one after the other, each as long as it says. */
export const strip = recipe<Strip>({
  label: 'Strip of pictures',
  length: (made) => made.frames.reduce((sum, f) => sum + f.delay, 0),
  pictures: (made) => [...new Set(made.frames.map((f) => frameKey(made, f)))],
  draw(pen, made, t, slot) {
    pen.clearRect(0, 0, slot.width, slot.height)
    let end = 0
    const now = made.frames.find((f) => (end += f.delay) > t) ?? made.frames.at(-1)!
    cover(pen, slot.picture(frameKey(made, now)), slot)
  },
})
