import type { Drift } from '../made'
import type { Pen, PenImage, Slot } from '../pen'
import { cover } from './parts'
import { eased, faintly, recipe } from './recipe'

/** A piece of the design that moves gently over the rest. It begins where it stands in the design. */
export const drift = recipe<Drift>({
  label: 'Gentle move',
  length: (made) => made.round,
  pictures: (made) => [made.picture.id, made.piece.id],
  draw(pen, made, t, slot) {
    cover(pen, slot.picture(made.picture.id), slot)
    const [x, y] = [made.at.x * slot.width, made.at.y * slot.height]
    const [w, h] = [made.at.w * slot.width, made.at.h * slot.height]
    if (made.patch) {
      pen.fillStyle = made.patch
      pen.fillRect(x, y, w, h)
    }
    const piece = slot.picture(made.piece.id)
    if (!piece) return
    const part = (t % made.round) / made.round
    pen.imageSmoothingQuality = 'high'
    const show =
      made.piece.id === made.picture.id
        ? () => ownPart(pen, piece, made.at, { w, h }, slot)
        : () => pen.drawImage(piece, -w / 2, -h / 2, w, h)
    pen.save()
    pen.translate(x + w / 2, y + h / 2)
    moves[made.move](pen, made, part, { w, h, show })
    pen.restore()
  },
})

/** The part of the picture itself that stands at a place, where the piece is no picture of its own. */
function ownPart(
  pen: Pen,
  image: PenImage,
  at: Drift['at'],
  { w, h }: { w: number; h: number },
  slot: Slot,
): void {
  // As `cover` lays the picture out.
  const scale = Math.max(slot.width / image.width, slot.height / image.height)
  const left = (image.width - slot.width / scale) / 2
  const top = (image.height - slot.height / scale) / 2
  const [x, y] = [left + (at.x * slot.width) / scale, top + (at.y * slot.height) / scale]
  pen.drawImage(image, x, y, w / scale, h / scale, -w / 2, -h / 2, w, h)
}

interface Piece {
  w: number
  h: number
  show: () => void
}

/** Out and back within a round, -1 to 1; 0 at its beginning. */
const swing = (part: number): number => Math.sin(part * 2 * Math.PI)

const moves: Record<Drift['move'], (pen: Pen, made: Drift, part: number, piece: Piece) => void> = {
  drift(pen, { far, way }, part, { w, h, show }) {
    const angle = (way * Math.PI) / 180
    const s = (swing(part) * far) / 100
    pen.translate(Math.cos(angle) * w * s, Math.sin(angle) * h * s)
    show()
  },
  turn(pen, { far }, part, { show }) {
    // A whole turn goes on; less goes there and back.
    pen.rotate(2 * Math.PI * (far >= 100 ? part : (swing(part) * far) / 100))
    show()
  },
  pulse(pen, { far }, part, { show }) {
    const s = 1 + ((1 - Math.cos(part * 2 * Math.PI)) / 2) * (far / 100)
    pen.scale(s, s)
    show()
  },
  appear(pen, _made, part, { show }) {
    // Whole in the first picture, then gone, then it comes again.
    const strength = part < 0.1 ? 1 : part < 0.3 ? 1 - eased((part - 0.1) / 0.2) : eased((part - 0.4) / 0.4)
    faintly(pen, strength, show)
  },
  phases(pen, { shade, far }, part, { w, h, show }) {
    show()
    // A whole turn of phases goes on; less wanes so far and comes back.
    const phase = far >= 100 ? part : (far / 200) * ((1 - Math.cos(part * 2 * Math.PI)) / 2)
    shadow(pen, phase, Math.min(w, h) / 2, shade)
  },
}

/** Steps of a half circle. */
const STEPS = 48

/** The unlit part of a ball by its phase: full at 0, new at a half; light goes and comes from the right, as of the moon seen from the north. */
function shadow(pen: Pen, part: number, radius: number, shade: string): void {
  if (part <= 0) return
  const side = part < 0.5 ? 1 : -1
  const edge = side * Math.cos(part * 2 * Math.PI)
  // A little over the rim, so that none of its light is left.
  const rim = side * (radius + 0.5)
  pen.fillStyle = shade
  pen.beginPath()
  for (let i = 0; i <= STEPS; i++) {
    const angle = Math.PI * (i / STEPS - 0.5)
    pen.lineTo(Math.cos(angle) * rim, Math.sin(angle) * (radius + 0.5))
  }
  for (let i = STEPS; i >= 0; i--) {
    const angle = Math.PI * (i / STEPS - 0.5)
    pen.lineTo(Math.cos(angle) * edge * radius, Math.sin(angle) * radius)
  }
  pen.closePath()
  pen.fill()
}
