import type { ChangingButton } from '../made'
import { mix } from '../../color/mix'
import { drawWords } from '../letters'
import { eased, faintly, fillGround, recipe } from './recipe'

/** A button whose words and colour change. */
export const button = recipe<ChangingButton>({
  label: 'Changing button',
  length: ({ states, hold, turn }) => states.length * (hold + turn),
  pictures: () => [],
  draw(pen, made, t, slot) {
    fillGround(pen, made.ground, slot)
    const each = made.hold + made.turn
    const n = Math.floor(t / each) % made.states.length
    const now = made.states[n]!
    const next = made.states[(n + 1) % made.states.length]!
    const part = eased(((t % each) - made.hold) / made.turn)
    pen.fillStyle = mix(now.face, next.face, part)
    pen.beginPath()
    pen.roundRect(0, 0, slot.width, slot.height, Math.min(made.radius, slot.height / 2))
    pen.fill()
    faintly(pen, 1 - part, () => drawWords(pen, { ...made.letters, color: now.ink }, now.says, slot))
    faintly(pen, part, () => drawWords(pen, { ...made.letters, color: next.ink }, next.says, slot))
  },
})
