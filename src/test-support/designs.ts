import sharp from 'sharp'
import { random } from '../../demo/drawing'
import type { Raster } from '@/core/cut/raster'

/** Designs drawn by code, so that the true band edges are known. */
export interface DrawnDesign {
  name: string
  width: number
  height: number
  svg: string
  /** Rows where a new band begins. */ edges: number[]
}

/**
 * Lines that look like set words: bars of letters' and words' widths. No font is needed, so every machine
 * draws the same.
 */
function letters(
  x: number,
  y: number,
  width: number,
  size: number,
  lines: number,
  color: string,
  seed: number,
): string {
  const r = random(seed)
  let out = ''
  for (let l = 0; l < lines; l++) {
    const top = y + l * size * (size > 60 ? 1.2 : 1.5)
    const end = x + (l === lines - 1 ? width * 0.6 : width * (0.88 + r() * 0.12))
    for (let cx = x; cx < end;) {
      const word = 2 + Math.floor(r() * 7)
      for (let k = 0; k < word && cx < end; k++) {
        const tall = r() < 0.3
        out += `<rect x="${cx.toFixed(1)}" y="${(top + (tall ? 0 : size * 0.25)).toFixed(1)}" width="${(size * 0.28).toFixed(1)}" height="${(size * (tall ? 0.75 : 0.5)).toFixed(1)}" fill="${color}"/>`
        cx += size * 0.5
      }
      cx += size * 0.35
    }
  }
  return out
}

const button = (x: number, y: number, w: number, h: number, fill: string) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="8" fill="${fill}"/>${letters(x + w * 0.2, y + h * 0.34, w * 0.6, h * 0.36, 1, '#ffffff', 5)}`

/** Something like a photograph: soft blobs, slopes of light and grain. */
function photo(
  id: string,
  x: number,
  y: number,
  w: number,
  h: number,
  seed: number,
  hues: [string, string],
): string {
  const r = random(seed)
  let blobs = ''
  for (let i = 0; i < 40; i++)
    blobs += `<circle cx="${x + r() * w}" cy="${y + r() * h}" r="${20 + r() * h * 0.3}" fill="hsl(${Math.floor(r() * 360)},${20 + Math.floor(r() * 40)}%,${25 + Math.floor(r() * 50)}%)" opacity="${0.15 + r() * 0.4}"/>`
  return `<defs><linearGradient id="g${id}" x1="0" y1="0" x2="${r()}" y2="1"><stop offset="0" stop-color="${hues[0]}"/><stop offset="1" stop-color="${hues[1]}"/></linearGradient><clipPath id="c${id}"><rect x="${x}" y="${y}" width="${w}" height="${h}"/></clipPath><filter id="n${id}" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency="0.7" numOctaves="2" seed="${seed}"/><feColorMatrix values="0 0 0 0 0.5  0 0 0 0 0.5  0 0 0 0 0.5  0.18 0 0 0 0"/></filter></defs><g clip-path="url(#c${id})"><rect x="${x}" y="${y}" width="${w}" height="${h}" fill="url(#g${id})"/>${blobs}<rect x="${x}" y="${y}" width="${w}" height="${h}" filter="url(#n${id})"/></g>`
}

function drawn(
  name: string,
  width: number,
  bands: [height: number, draw: (top: number) => string][],
): DrawnDesign {
  let y = 0,
    body = ''
  const edges: number[] = []
  for (const [h, draw] of bands) {
    if (y) edges.push(y)
    body += draw(y)
    y += h
  }
  return {
    name,
    width,
    height: y,
    edges,
    svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${y}"><rect width="100%" height="100%" fill="#ffffff"/>${body}</svg>`,
  }
}

const fill = (w: number, h: number, c: string) => (y: number) =>
  `<rect x="0" y="${y}" width="${w}" height="${h}" fill="${c}"/>`

/** The five kinds of design that the autocut has to know, each in two sizes or versions. */
export function testDesigns(): DrawnDesign[] {
  const W = 1200
  const flat = drawn('flat', W, [
    [140, (y) => fill(W, 140, '#f4efe6')(y) + letters(80, y + 50, 300, 40, 1, '#222222', 1)],
    [
      620,
      (y) =>
        fill(W, 620, '#1d3557')(y) +
        letters(120, y + 120, 960, 84, 2, '#ffffff', 2) +
        letters(120, y + 370, 900, 36, 3, '#dbe4f0', 3),
    ],
    [
      520,
      (y) =>
        fill(W, 520, '#ffffff')(y) +
        letters(120, y + 100, 900, 34, 5, '#333333', 4) +
        button(120, y + 390, 340, 84, '#b4452f'),
    ],
    [
      470,
      (y) =>
        fill(W, 470, '#fbf8f2')(y) +
        letters(120, y + 90, 480, 34, 6, '#333333', 6) +
        letters(660, y + 90, 420, 34, 6, '#333333', 7),
    ],
    [60, fill(W, 60, '#e3b23c')],
    [300, (y) => fill(W, 300, '#222831')(y) + letters(120, y + 90, 900, 24, 3, '#aab2bd', 8)],
  ])
  const frame = (y: number, h: number, line: number, c: string, bg: string) =>
    `<rect x="0" y="${y}" width="${W}" height="${h}" fill="${c}"/><rect x="${line}" y="${y + line}" width="${W - 2 * line}" height="${h - 2 * line}" fill="${bg}"/>`
  const bordered = drawn('bordered', W, [
    [260, (y) => frame(y, 260, 4, '#7a6a58', '#ffffff') + letters(90, y + 90, 800, 44, 2, '#333333', 11)],
    [480, (y) => frame(y, 480, 4, '#7a6a58', '#ffffff') + letters(90, y + 80, 900, 34, 6, '#333333', 12)],
    [
      420,
      (y) =>
        frame(y, 420, 4, '#7a6a58', '#f6f1e7') +
        letters(90, y + 80, 800, 34, 3, '#333333', 13) +
        button(90, y + 270, 300, 80, '#2b7a68'),
    ],
    [240, (y) => frame(y, 240, 2, '#c9bca8', '#ffffff') + letters(90, y + 80, 800, 26, 3, '#666666', 14)],
  ])
  const slope = (id: string, y: number, h: number, a: string, b: string, across = false) =>
    `<defs><linearGradient id="${id}" x1="0" y1="0" x2="${across ? 1 : 0}" y2="${across ? 0.3 : 1}"><stop offset="0" stop-color="${a}"/><stop offset="1" stop-color="${b}"/></linearGradient></defs><rect x="0" y="${y}" width="${W}" height="${h}" fill="url(#${id})"/>`
  const gradient = drawn('gradient', W, [
    [180, (y) => fill(W, 180, '#ffffff')(y) + letters(80, y + 70, 300, 40, 1, '#222222', 21)],
    [
      700,
      (y) => slope('ga', y, 700, '#101b33', '#8d6a6a') + letters(120, y + 180, 900, 90, 2, '#ffffff', 22),
    ],
    [
      420,
      (y) =>
        slope('gb', y, 420, '#f6e7c8', '#d98e5b', true) + letters(120, y + 120, 900, 36, 4, '#3a2a20', 23),
    ],
    [
      380,
      (y) => slope('gc', y, 380, '#2b7a68', '#174a40') + letters(120, y + 130, 700, 36, 3, '#ffffff', 24),
    ],
    [220, (y) => fill(W, 220, '#f2f2f0')(y) + letters(120, y + 80, 900, 24, 2, '#666666', 25)],
  ])
  const photos = drawn('photo next to photo', W, [
    [620, (y) => photo('a', 0, y, W, 620, 31, ['#26445e', '#c98e5a'])],
    [500, (y) => photo('b', 0, y, W, 500, 57, ['#dfe5d0', '#51714f'])],
    [540, (y) => photo('c', 0, y, W, 540, 83, ['#4b2a44', '#e0a76f'])],
    [360, (y) => fill(W, 360, '#ffffff')(y) + letters(120, y + 110, 900, 34, 3, '#333333', 34)],
    [
      480,
      (y) =>
        photo('d', 0, y, 600, 480, 91, ['#7c5b3a', '#e9dcc0']) +
        photo('e', 600, y, 600, 480, 17, ['#20302a', '#9fc0a0']),
    ],
  ])
  const rule = (y: number) => `<rect x="120" y="${y}" width="960" height="2" fill="#d8d2c6"/>`
  // A rule belongs to the upper band's foot: the next band begins right under it.
  const rules = drawn('white on white with thin rules', W, [
    [200, (y) => letters(120, y + 80, 400, 44, 1, '#222222', 41)],
    [
      442,
      (y) =>
        rule(y) +
        letters(120, y + 82, 900, 60, 1, '#222222', 42) +
        letters(120, y + 190, 900, 34, 4, '#444444', 43),
    ],
    [
      382,
      (y) =>
        rule(y) + letters(120, y + 72, 500, 34, 5, '#444444', 44) + button(760, y + 140, 280, 84, '#21508f'),
    ],
    [302, (y) => rule(y) + letters(120, y + 82, 900, 34, 3, '#444444', 45)],
    [242, (y) => rule(y) + letters(120, y + 92, 800, 24, 3, '#777777', 46)],
  ])
  const gutters = drawn('white on white with gutters', W, [
    [213, (y) => letters(420, y + 120, 360, 44, 1, '#222222', 51)],
    [
      560,
      (y) =>
        letters(120, y + 60, 900, 64, 1, '#222222', 52) +
        letters(120, y + 174, 900, 34, 4, '#444444', 53) +
        button(120, y + 416, 320, 84, '#b4452f'),
    ],
    [
      520,
      (y) =>
        photo('f', 120, y + 60, 460, 400, 61, ['#93b5c6', '#2d4b5a']) +
        letters(640, y + 130, 440, 34, 5, '#444444', 54),
    ],
    [360, (y) => letters(120, y + 60, 900, 34, 4, '#444444', 55)],
  ])
  return [flat, bordered, gradient, photos, rules, gutters]
}

const drawnPng = new Map<string, Promise<Buffer>>()

/**
 * A drawn design as pixels; through JPEG first where a quality is given.
 * @param scale 1 as drawn, 0.5 for half size
 */
export async function rasterOf(
  design: DrawnDesign,
  options: { jpeg?: number; scale?: number } = {},
): Promise<Raster> {
  if (!drawnPng.has(design.name))
    drawnPng.set(
      design.name,
      sharp(Buffer.from(design.svg))
        .flatten({ background: '#ffffff' })
        .png({ compressionLevel: 1 })
        .toBuffer(),
    )
  let image = sharp(await drawnPng.get(design.name)!)
  if (options.scale)
    image = sharp(
      await image
        .resize(Math.round(design.width * options.scale))
        .png()
        .toBuffer(),
    )
  if (options.jpeg) image = sharp(await image.jpeg({ quality: options.jpeg }).toBuffer())
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}
