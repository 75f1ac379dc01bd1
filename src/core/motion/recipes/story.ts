import type { Story } from '../made'
import { linesOf, setLetters } from '../letters'
import type { Pen, Slot } from '../pen'
import { cover } from './parts'
import { eased, faintly, fillGround, recipe } from './recipe'

/** How far the pictures move while they are shown. */
const ZOOM = 0.12

/** Several pictures one after the other, each moving a little, with a caption. */
export const story = recipe<Story>({
  label: 'Story of pictures',
  length: ({ scenes, hold, turn }) => scenes.length * (hold + turn),
  pictures: (made) => made.scenes.map((s) => s.picture.id),
  draw(pen, made, t, slot) {
    fillGround(pen, made.plate, slot)
    const each = made.hold + made.turn
    const n = Math.floor(t / each) % made.scenes.length
    const on = t % each
    scene(pen, made, n, on / each, slot)
    const part = eased((on - made.hold) / made.turn)
    // The next one is seen from its very beginning.
    faintly(pen, part, () => scene(pen, made, (n + 1) % made.scenes.length, 0, slot))
  },
})

function scene(pen: Pen, made: Story, n: number, part: number, slot: Slot): void {
  const { picture, move, caption } = made.scenes[n]!
  const zoom = move === 'none' ? 1 : 1 + ZOOM * (move === 'closer' ? part : move === 'away' ? 1 - part : 1)
  const x = move === 'left' ? 1 - 2 * part : move === 'right' ? 2 * part - 1 : 0
  cover(pen, slot.picture(picture.id), slot, zoom, { x, y: 0 })
  if (caption) captionOn(pen, made.letters, made.plate, caption, slot)
}

/** Words on a plate along the lower edge. */
export function captionOn(
  pen: Pen,
  letters: Story['letters'],
  plate: string,
  words: string,
  slot: Slot,
): void {
  setLetters(pen, letters, slot, words)
  const lines = linesOf(pen, letters, words, slot)
  const height = lines.length * letters.size * 1.2 + letters.size * 0.8
  const alpha = pen.globalAlpha
  pen.globalAlpha = alpha * 0.86
  pen.fillStyle = plate
  pen.fillRect(0, slot.height - height, slot.width, height)
  pen.globalAlpha = alpha
  pen.fillStyle = letters.color
  const shift = slot.height / 2 - height / 2
  for (const line of lines) pen.fillText(line.words, line.x, line.y + shift)
}
