import { contrast } from '../color/contrast'
import { areaRect, filmAt } from './film'
import { drawWords, setLetters } from './letters'
import type { Pen, PenImage, Slot } from './pen'
import type { FilmMade } from './made'
import { captionOn } from './recipes/story'

/** Draws what is shown at a moment: the film's picture, captions, what closes it, the mark for playing, the line beneath. @param picture of the film at that moment */
export function drawFilm(pen: Pen, made: FilmMade, t: number, picture: PenImage | null, slot: Slot): void {
  const below = made.beneath?.height ?? 0
  const above = { ...slot, height: slot.height - below }
  const at = filmAt(made, t)
  if (picture) {
    const { x, y, w, h } = areaRect(at.area, picture, above.width / above.height)
    pen.imageSmoothingQuality = 'high'
    pen.drawImage(picture, x, y, w, h, 0, 0, above.width, above.height)
  }
  const { closing } = made
  if (at.closing && closing?.says) {
    pen.fillStyle = closing.ground
    pen.fillRect(0, 0, above.width, above.height)
    drawWords(pen, made.letters, closing.says, above)
  } else {
    const caption = made.captions.find((c) => t >= c.from && t < c.to)
    if (caption?.says) captionOn(pen, made.letters, made.plate, caption.says, above)
  }
  if (made.mark && !(at.closing && closing?.says)) drawMark(pen, made.mark, above)
  if (made.beneath) beneath(pen, made.beneath, made.letters, slot)
}

function beneath(
  pen: Pen,
  line: NonNullable<FilmMade['beneath']>,
  letters: FilmMade['letters'],
  slot: Slot,
): void {
  pen.fillStyle = line.ground
  pen.fillRect(0, slot.height - line.height, slot.width, line.height)
  const size = Math.min(letters.size, line.height * 0.6)
  pen.save()
  pen.translate(0, slot.height - line.height)
  const own = { ...letters, size, color: line.ink }
  setLetters(pen, own, slot, line.says)
  drawWords(pen, own, line.says, { ...slot, height: line.height })
  pen.restore()
}

/** A mark that invites to play, in the middle. */
export function drawMark(pen: Pen, { style, color, size }: NonNullable<FilmMade['mark']>, slot: Slot): void {
  const r = size / 2
  pen.save()
  pen.translate(slot.width / 2, slot.height / 2)
  pen.fillStyle = color
  pen.strokeStyle = color
  pen.lineWidth = size / 14
  pen.lineJoin = 'round'
  marks[style](pen, r, color)
  pen.restore()
}

/** The arrow on a mark of a colour: light on dark, dark on light. */
function arrowOn(pen: Pen, color: string, r: number): void {
  triangle(pen, r)
  pen.fillStyle = contrast(color, '#ffffff') >= 3 ? '#ffffff' : '#16191b'
  pen.fill()
}

function triangle(pen: Pen, r: number): void {
  pen.beginPath()
  pen.moveTo(-r * 0.55, -r)
  pen.lineTo(r, 0)
  pen.lineTo(-r * 0.55, r)
  pen.closePath()
}

const marks: Record<NonNullable<FilmMade['mark']>['style'], (pen: Pen, r: number, color: string) => void> = {
  disc(pen, r, color) {
    pen.globalAlpha = 0.88
    pen.beginPath()
    pen.arc(0, 0, r, 0, Math.PI * 2)
    pen.fill()
    pen.globalAlpha = 1
    arrowOn(pen, color, r * 0.45)
  },
  ring(pen, r) {
    pen.beginPath()
    pen.arc(0, 0, r * 0.93, 0, Math.PI * 2)
    pen.stroke()
    triangle(pen, r * 0.45)
    pen.fill()
  },
  square(pen, r, color) {
    pen.globalAlpha = 0.88
    pen.beginPath()
    pen.rect(-r, -r * 0.8, r * 2, r * 1.6)
    pen.fill()
    pen.globalAlpha = 1
    arrowOn(pen, color, r * 0.45)
  },
  bare(pen, r) {
    triangle(pen, r * 0.8)
    pen.fill()
    pen.strokeStyle = '#00000059'
    pen.lineWidth = r / 16
    pen.stroke()
  },
  bar(pen, r, color) {
    pen.globalAlpha = 0.88
    pen.beginPath()
    pen.roundRect(-r * 1.6, -r * 0.55, r * 3.2, r * 1.1, r * 0.55)
    pen.fill()
    pen.globalAlpha = 1
    arrowOn(pen, color, r * 0.34)
  },
}
