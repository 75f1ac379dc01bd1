/** Six moving pictures by which encoders are compared, drawn by code: letters, things that slide, a photograph, flat forms, noise, digits. */
import { createCanvas, loadImage, type SKRSContext2D } from '@napi-rs/canvas'
import sharp from 'sharp'
import type { Frame, Sequence } from '@/core/motion/sequence'

export const [width, height, count] = [480, 200, 24]

/** Draws a sequence, a picture at a time. @param t 0 to 1 */
function sequence(draw: (c: SKRSContext2D, t: number, i: number) => void): Sequence {
  const c = createCanvas(width, height).getContext('2d')
  const frames = Array.from({ length: count }, (_, i): Frame => {
    draw(c, i / count, i)
    return { data: c.getImageData(0, 0, width, height).data, delay: 80 }
  })
  return { width, height, loop: 0, frames }
}

const photo = await loadImage(
  await sharp('demo/designs/orrery-point-eclipse-night.png')
    .extract({ left: 0, top: 150, width: 1200, height: 960 })
    .png()
    .toBuffer(),
)
const fill = (c: SKRSContext2D, color: string) => {
  c.fillStyle = color
  c.fillRect(0, 0, width, height)
}
let seed = 7
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647

export const sequences: Record<string, Sequence> = {
  lettering: sequence((c, t) => {
    fill(c, '#f4efe6')
    c.fillStyle = '#1f2430'
    c.font = '600 54px serif'
    c.globalAlpha = Math.abs(Math.cos(t * Math.PI))
    c.fillText(t < 0.5 ? 'Doors open' : 'at half past', 60, 120)
    c.globalAlpha = 1
  }),
  slide: sequence((c, t) => {
    fill(c, '#12343b')
    c.fillStyle = '#e9a23b'
    c.fillRect(-120 + t * 600, 60, 120, 80)
    c.fillStyle = '#eef3ef'
    c.font = '700 40px sans-serif'
    c.fillText('Winter timetable', 480 - t * 620, 115)
  }),
  'photo pan': sequence((c, t) => c.drawImage(photo, 500 * t, 300, 700, 292, 0, 0, width, height)),
  'flat graphic': sequence((c, t) => {
    fill(c, '#faf5ea')
    for (let i = 0; i < 6; i++) {
      c.fillStyle = ['#3f5a36', '#8c2f4b', '#e6c66b'][i % 3]!
      c.beginPath()
      c.arc(60 + i * 72, 100 + 40 * Math.sin(2 * Math.PI * (t + i / 6)), 28, 0, 7)
      c.fill()
    }
  }),
  'film-like noise': sequence((c, t) => {
    c.drawImage(photo, 300 + 40 * t, 200, 700, 292, 0, 0, width, height)
    const image = c.getImageData(0, 0, width, height)
    for (let i = 0; i < image.data.length; i += 4) {
      const n = (random() - 0.5) * 18
      for (let k = 0; k < 3; k++) image.data[i + k]! += n
    }
    c.putImageData(image, 0, 0)
  }),
  countdown: sequence((c, _, i) => {
    fill(c, '#14202f')
    c.fillStyle = '#22344c'
    for (let k = 0; k < 4; k++) c.fillRect(30 + k * 110, 40, 90, 100)
    c.fillStyle = '#f3ead8'
    c.font = '700 60px sans-serif'
    ;['07', '17', '42', String(59 - i)].forEach((n, k) => c.fillText(n, 40 + k * 110, 112))
  }),
}
