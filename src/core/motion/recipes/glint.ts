import type { Glint } from '../made'
import { cover } from './parts'
import { eased, recipe } from './recipe'

/** Flashes a second above which they may harm (WCAG 2.2, 2.3.1). */
export const MOST_FLASHES = 3

/** A light that passes over a picture. It leans a little, and begins and ends out of sight. */
export const glint = recipe<Glint>({
  label: 'Flash of light',
  length: ({ pass, rest }) => pass + rest,
  pictures: (made) => [made.picture.id],
  refused: ({ pass, rest }) =>
    1000 / (pass + rest) > MOST_FLASHES
      ? `It would flash ${(1000 / (pass + rest)).toFixed(1)} times a second. More than three can harm people with epilepsy (WCAG 2.2, 2.3.1): make it slower, or let it rest longer.`
      : null,
  draw(pen, made, t, slot) {
    cover(pen, slot.picture(made.picture.id), slot)
    const on = t - made.rest
    if (on < 0) return
    const wide = (slot.width * made.width) / 100
    const lean = slot.height * 0.35
    const x = -wide - lean + eased(on / made.pass) * (slot.width + wide * 2 + lean * 2)
    pen.save()
    // Only what the picture covers is lit, so that a clear ground stays clear.
    pen.globalCompositeOperation = 'source-atop'
    const light = pen.createLinearGradient(x - wide / 2, 0, x + wide / 2, slot.height * 0.2)
    light.addColorStop(0, `${made.color}00`)
    light.addColorStop(0.5, `${made.color}cc`)
    light.addColorStop(1, `${made.color}00`)
    pen.fillStyle = light
    pen.fillRect(0, 0, slot.width, slot.height)
    pen.restore()
  },
})
