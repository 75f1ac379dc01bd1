import type { Pen, PenImage, Slot } from '../pen'

/** Draws a picture so that it covers a rectangle, in its middle, closer by a factor. @param zoom 1 or more @param shift -1 to 1 of what is out of sight */
export function cover(
  pen: Pen,
  image: PenImage | null,
  { width, height }: Pick<Slot, 'width' | 'height'>,
  zoom = 1,
  shift = { x: 0, y: 0 },
): void {
  if (!image) return
  const scale = Math.max(width / image.width, height / image.height) * zoom
  const [w, h] = [width / scale, height / scale]
  const x = ((image.width - w) / 2) * (1 + shift.x)
  const y = ((image.height - h) / 2) * (1 + shift.y)
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(image, x, y, w, h, 0, 0, width, height)
}
