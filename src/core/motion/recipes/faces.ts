import type { Faces } from '../made'
import { drawWords } from '../letters'
import { fillGround, recipe } from './recipe'

/** A name in changing faces. */
export const faces = recipe<Faces>({
  label: 'Name in changing faces',
  length: (made) => made.faces.length * made.each,
  pictures: () => [],
  draw(pen, made, t, slot) {
    fillGround(pen, made.ground, slot)
    const font = made.faces[Math.floor(t / made.each) % made.faces.length]!
    drawWords(pen, { ...made.letters, font }, made.says, slot)
  },
})
