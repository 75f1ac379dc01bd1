import { createCanvas, loadImage, type Image } from '@napi-rs/canvas'
import type { Countdown } from '@/core/motion/countdown/schema'
import { drawSequence, fileSize, drawerOf, momentsOfRecipe, type Draw } from '@/core/motion/draw'
import { filmAt, filmLength } from '@/core/motion/film'
import { drawFilm } from '@/core/motion/film-draw'
import { writeGif } from '@/core/motion/gif/write'
import { drawWords } from '@/core/motion/letters'
import type { FilmRef } from '@/core/motion/made'
import type { Pen, PenImage, Slot } from '@/core/motion/pen'
import { motionDefaults, type Motion } from '@/core/motion/schema'
import { momentsOf, type Moment } from '@/core/motion/timing'
import type { PictureRef } from '@/core/picture/ref'
import { familyOf } from '@/server/motion/countdown/fonts'

/** The moving pictures of the demo, drawn by the app's own core: what the stage would make of the same values. */

/** The moon of the hero goes through its phases, made from the cut moon. @param hero the cut */
export const moonPhases = (hero: PictureRef): Motion => ({
  ...motionDefaults,
  made: {
    kind: 'drift',
    picture: hero,
    piece: hero,
    at: { x: 0.5617, y: 0.1396, w: 0.3433, h: 0.4292 },
    patch: null,
    move: 'phases',
    far: 72,
    way: 0,
    shade: '#1a1524',
    round: 4000,
  },
  height: 480,
  density: 1.5,
  rate: 6,
  colors: 255,
  dither: 'diffused',
})

/** Until the moon is copper. */
export const untilCopper = (): Motion & { made: Countdown } => ({
  ...motionDefaults,
  made: {
    kind: 'countdown',
    until: { kind: 'moment', at: '2026-12-04T22:00', zone: 'Europe/London' },
    units: ['days', 'hours', 'minutes', 'seconds'],
    labels: { days: 'days', hours: 'hours', minutes: 'minutes', seconds: 'seconds' },
    face: 'serif',
    colors: { digits: '#f0cf98', labels: '#e9dcc8', ground: '#171a2e', box: '#24325a' },
    radius: 6,
    over: 'Look up: the moon is copper',
    server: '',
  },
  height: 116,
})

/** Three seconds of the film on sowing: the row, the seeds, what comes up. */
export const howTo = (film: FilmRef): Motion => ({
  ...motionDefaults,
  made: {
    kind: 'film',
    film,
    width: 640,
    height: 360,
    clips: [
      { from: 200, to: 1500, area: { x: 0.5, y: 0.5, w: 1 } },
      { from: 1800, to: 3200, area: { x: 0.3, y: 0.62, w: 0.6 }, areaTo: { x: 0.7, y: 0.62, w: 0.6 } },
      { from: 5600, to: 7600, area: { x: 0.5, y: 0.5, w: 1 } },
    ],
    captions: [
      { says: 'Draw a row, a thumb deep', from: 100, to: 1300 },
      { says: 'A seed for every hand', from: 1400, to: 2700 },
      { says: 'Ten days later', from: 2900, to: 4700 },
    ],
    letters: { font: 'sans', size: 22, bold: true, color: '#faf5ea', align: 'center' },
    plate: '#2f2e28',
    mark: { style: 'ring', color: '#faf5ea', size: 64 },
    closing: null,
    beneath: null,
    address: '',
  },
  height: 304,
  rate: 8,
  colors: 64,
})

const dir = 'ltr'
const family = () => familyOf('node_modules/@fontsource', 'sans')

async function written(
  motion: Motion,
  width: number,
  moments: readonly Moment[],
  draw: Draw,
): Promise<Uint8Array> {
  const size = fileSize(motion, width)
  const pen = createCanvas(size.width, size.height).getContext('2d')
  const sheet = {
    pen: pen as unknown as Pen,
    ...size,
    read: () => pen.getImageData(0, 0, size.width, size.height).data,
  }
  const scale = { x: size.width / width, y: size.height / motion.height }
  const sequence = await drawSequence(moments, draw, sheet, scale, motion.loop)
  const { made, colors, dither, loss } = motion
  const ground = made.kind === 'countdown' ? [Number.parseInt(made.colors.ground.slice(1), 16)] : []
  return writeGif(sequence, { colors, dither, loss, pinned: ground }).bytes
}

const slotOf = (motion: Motion, width: number, image: Image | null): Slot => ({
  width,
  height: motion.height,
  picture: () => image as PenImage | null,
  family,
  dir,
})

/** The file of what a recipe makes of one picture. @param bytes of the picture @param width of the slot, px */
export async function drawnGif(motion: Motion, bytes: Uint8Array, width: number): Promise<Uint8Array> {
  const slot = slotOf(motion, width, await loadImage(bytes))
  return written(motion, width, momentsOfRecipe(motion), drawerOf(motion, slot))
}

/** The file of a film's part. @param pictureAt the film's picture at a moment, ms, as PNG */
export async function filmGif(
  motion: Motion,
  width: number,
  pictureAt: (ms: number) => Promise<Uint8Array>,
): Promise<Uint8Array> {
  const { made } = motion
  if (made.kind !== 'film') throw new TypeError('no film')
  const slot = slotOf(motion, width, null)
  return written(motion, width, momentsOf(motion, filmLength(made)), async (pen, t) => {
    const image = await loadImage(await pictureAt(filmAt(made, t).film))
    drawFilm(pen, made, t, image as unknown as PenImage, slot)
  })
}

/** The still that stands for a countdown. */
export const countdownStill = (
  motion: Motion & { made: Countdown },
  width: number,
  words: string,
): Promise<Uint8Array> =>
  written(motion, width, [{ t: 0, delay: 100 }], (pen) => {
    const slot = slotOf(motion, width, null)
    pen.fillStyle = motion.made.colors.ground
    pen.fillRect(0, 0, width, motion.height)
    drawWords(
      pen,
      { font: 'serif', size: 24, bold: true, color: motion.made.colors.digits, align: 'center' },
      words,
      slot,
    )
  })
