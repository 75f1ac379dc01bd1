import { join } from 'node:path'
import { createCanvas, GlobalFonts, type SKRSContext2D } from '@napi-rs/canvas'
import sharp from 'sharp'
import { boxOf } from './box'
import { colorDifference as apart } from '../color/difference'
import { barOf } from './frames'
import { boldness, even, inkBlocks, letterSize, readInk } from './ink'
import { maskOf } from './mask'
import { packed, packHex, type Raster } from './raster'
import { fontStacks } from '../email/fonts'

// Letters of an open font (SIL OFL 1.1), as its package ships it, drawn by Skia.
for (const style of ['400-normal', '700-normal'])
  GlobalFonts.registerFromPath(
    join(process.cwd(), 'node_modules/@fontsource/ibm-plex-sans/files', `ibm-plex-sans-latin-${style}.woff2`),
    `Ink ${style}`,
  )

const W = 800,
  H = 300
/**
 * A white picture that was drawn on, as it is and as JPEG makes it.
 * @param quality of the JPEG; left out, none
 */
async function picture(
  draw: (c: SKRSContext2D) => void,
  quality?: number,
  ground = '#ffffff',
): Promise<Raster> {
  const c = createCanvas(W, H).getContext('2d')
  c.fillStyle = ground
  c.fillRect(0, 0, W, H)
  draw(c)
  const raw = Buffer.from(c.getImageData(0, 0, W, H).data)
  const jpeg = quality
    ? await sharp(
        await sharp(raw, { raw: { width: W, height: H, channels: 4 } })
          .removeAlpha()
          .jpeg({ quality })
          .toBuffer(),
      )
        .ensureAlpha()
        .raw()
        .toBuffer()
    : raw
  return { width: W, height: H, data: new Uint8Array(jpeg) }
}
const write =
  (said: string, x: number, y: number, size: number, o: { bold?: boolean; color?: string } = {}) =>
  (c: SKRSContext2D) => {
    c.fillStyle = o.color ?? '#222222'
    c.font = `${size}px "Ink ${o.bold ? '700' : '400'}-normal"`
    c.fillText(said, x, y)
  }
const all = { x: 0, y: 0, w: W, h: H }

test.each([60, 70, 80, 90])(
  'JPEG of quality %s hides neither lines nor how letters are set',
  async (quality) => {
    const draw = (c: SKRSContext2D) => {
      for (let i = 0; i < 4; i++)
        write(
          [
            'The dome opens at nine and closes',
            'when the last visitor has gone home;',
            'bring warm clothes, the platform',
            'stands in the wind all night.',
          ][i]!,
          40,
          70 + 42 * i,
          28,
        )(c)
    }
    const [clean, jpeg] = [
      readInk(await picture(draw), all, '#ffffff'),
      readInk(await picture(draw, quality), all, '#ffffff'),
    ]
    expect(clean.lines).toHaveLength(4)
    expect(jpeg.lines).toHaveLength(4)
    jpeg.lines.forEach((l, i) => {
      const own = clean.lines[i]!
      for (const k of ['x', 'y', 'w', 'h', 'base'] as const)
        expect(Math.abs(l[k] - own[k])).toBeLessThanOrEqual(3)
      expect(Math.abs(letterSize(l) / letterSize(own) - 1)).toBeLessThan(0.06)
      expect(l.contrast).toBeGreaterThan(0.67)
    })
    expect(boldness(jpeg.lines)).toBeLessThan(0)
    // CIEDE2000 under 5: hardly another colour.
    expect(apart(jpeg.color!, '#222222')).toBeLessThan(5)
  },
)

test('pale letters on a dark ground are read as dark ones on a pale ground are', async () => {
  const [onDark, onPale] = await Promise.all([
    picture(write('Berths with a window', 40, 120, 40, { color: '#e8e8f0' }), 80, '#1a1c30'),
    picture(write('Berths with a window', 40, 120, 40), 80),
  ])
  const [a, b] = [readInk(onDark, all, '#1a1c30').lines[0]!, readInk(onPale, all, '#ffffff').lines[0]!]
  expect(Math.abs(a.base - b.base)).toBeLessThanOrEqual(1)
  expect(Math.abs(a.small / b.small - 1)).toBeLessThan(0.06)
})

test('letters that differ from their ground in colour but not in lightness are read too', async () => {
  // Luma of both is about 110 (ITU-R BT.601).
  const ink = readInk(
    await picture(write('Order seeds', 40, 120, 44, { color: '#d8344e' }), 85, '#4a8a3c'),
    all,
    '#4a8a3c',
  )
  expect(ink.lines).toHaveLength(1)
  expect(ink.lines[0]!.w).toBeGreaterThan(200)
})

test('a strip along the side of words is no letter; a tall letter at their beginning is one', async () => {
  const words = (c: SKRSContext2D) => {
    write('Nobody at home? Tell the driver', 60, 80, 26)(c)
    write('where to leave the crate.', 60, 120, 26)(c)
  }
  const rect = { x: 20, y: 40, w: 700, h: 100 }
  for (const quality of [undefined, 70]) {
    const strip = readInk(
      await picture((c) => {
        c.fillStyle = '#e0a800'
        c.fillRect(24, 40, 8, 100)
        words(c)
      }, quality),
      rect,
      '#ffffff',
    )
    expect(strip.lines).toHaveLength(2)
    expect(Math.abs(strip.lines[0]!.x - 62)).toBeLessThanOrEqual(3)
    expect(apart(strip.color!, '#222222')).toBeLessThan(8)
  }
  const il = await picture(write('Ill will', 40, 80, 40))
  expect(readInk(il, { x: 30, y: 40, w: 300, h: 50 }, '#ffffff').lines[0]!.x).toBeLessThan(46)
})

test('the line under a link is not where its letters stand, nor are the feet of round letters such a line', async () => {
  const under = readInk(
    await picture((c) => {
      write('About the players', 40, 100, 30)(c)
      c.fillRect(40, 106, 240, 2)
    }),
    all,
    '#ffffff',
  )
  expect(Math.abs(under.lines[0]!.base - 100)).toBeLessThanOrEqual(1)
  expect(under.lines[0]!.under).toBe(true)
  // Under a part of it as well, as under the last words of a footer.
  const part = readInk(
    await picture((c) => {
      write('You asked for it. Leave the list', 40, 100, 24)(c)
      c.fillRect(240, 105, 150, 2)
    }),
    all,
    '#ffffff',
  ).lines[0]!
  expect([Math.abs(part.base - 100) <= 1, part.under]).toEqual([true, false])
  for (const said of ['seats', 'speakers', 'occasions', 'a sea of ease']) {
    const line = readInk(await picture(write(said, 40, 100, 26)), all, '#ffffff').lines[0]!
    expect([said, Math.abs(line.base - 100) <= 1, line.under]).toEqual([said, true, false])
    // A small x of the font is 0.516 em high.
    expect(Math.abs(line.small - 0.516 * 26)).toBeLessThan(1.6)
  }
})

test('bold is told from regular, in words, capitals and figures, from 12 to 40 px', async () => {
  for (const size of [12, 14, 16, 18, 24, 30, 40])
    for (const said of ['Three evenings', 'HARBOUR', '25.40', 'Quay Lane 4, 17:30']) {
      const [regular, bold] = await Promise.all(
        [false, true].map(async (b) =>
          boldness(readInk(await picture(write(said, 40, 100, size, { bold: b })), all, '#ffffff').lines),
        ),
      )
      expect([said, size, regular! < 0, bold! > 0]).toEqual([said, size, true, true])
    }
})

test('the size of capitals and figures is told by their height', async () => {
  for (const size of [20, 32, 48]) {
    const [line] = readInk(await picture(write('HUTTE', 40, 120, size)), all, '#ffffff').lines
    expect(even(line!)).toBe(true)
    // Capitals of the font are 0.698 em high.
    expect(Math.abs(letterSize(line!, { x: 0.516, cap: 0.698 }) / size - 1)).toBeLessThan(0.08)
  }
  expect(inkBlocks([], fontStacks.sans)).toEqual([])
})

test.each([
  [0, 90],
  [8, 90],
  [14, 80],
  [24, 80],
  [14, 60],
  [46, 80],
])('a box with corners of %s px is read off JPEG of quality %s within a few px', async (radius, quality) => {
  const drawn = await picture((c) => {
    c.fillStyle = '#0b6e4f'
    c.beginPath()
    c.roundRect(106, 60, 588, 96, radius)
    c.fill()
  }, quality)
  // What ringing has widened the box by is found with it.
  for (const by of [0, 4, 6]) {
    const found = boxOf(drawn, { x: 106 - by, y: 60 - by, w: 588 + 2 * by, h: 96 + 2 * by }, '#ffffff', 28)!
    expect(Math.abs(found.box.radius - Math.min(radius, 47))).toBeLessThanOrEqual(4)
    expect(apart(found.box.color, '#0b6e4f')).toBeLessThan(5)
    expect(found.box.borderWidth).toBeUndefined()
    expect(Math.abs(found.rect.x - 106)).toBeLessThanOrEqual(6)
  }
})

test('a rectangle much longer than a box is none', async () => {
  const drawn = await picture((c) => {
    c.fillStyle = '#0b6e4f'
    c.fillRect(150, 60, 500, 60)
  })
  expect(boxOf(drawn, { x: 150, y: 60, w: 500, h: 60 }, '#ffffff', 8)!.box).toMatchObject({
    color: '#0b6e4f',
    radius: 0,
  })
  expect(boxOf(drawn, { x: 100, y: 60, w: 600, h: 60 }, '#ffffff', 28)).toBeNull()
})

test('a coloured strip along a box is found, on JPEG too', async () => {
  for (const quality of [undefined, 80]) {
    const drawn = await picture((c) => {
      c.fillStyle = '#fff4dc'
      c.fillRect(100, 60, 500, 120)
      c.fillStyle = '#e0a800'
      c.fillRect(100, 60, 8, 120)
    }, quality)
    const bar = barOf(drawn, { x: 100, y: 60, w: 500, h: 120 }, 12, quality ? 28 : 8)
    expect(bar).toMatchObject({ side: 'left' })
    expect(Math.abs(bar!.width - 8)).toBeLessThanOrEqual(2)
  }
})

test('on a noisy design a pale area counts where it is flat for more than JPEG shifts by itself', async () => {
  const drawn = await picture((c) => {
    c.fillStyle = '#fafafa'
    c.fillRect(100, 100, 200, 100)
    c.fillStyle = '#fafafa'
    c.fillRect(500, 100, 12, 12)
  })
  const m = maskOf(packed(drawn), W, all, packHex('#ffffff'), 28, 1)
  const ink = (x: number, y: number) => m.ink[y * m.cols + x] === 1
  expect([ink(200, 150), ink(104, 104), ink(505, 105), ink(50, 50)]).toEqual([true, true, false, false])
  // A clean design has no such noise: every pale mark counts.
  expect(maskOf(packed(drawn), W, all, packHex('#ffffff'), 8, 1).ink[105 * W + 505]).toBe(1)
})

describe('the ink of thin letters at 1x, most of whose pixels are rims', () => {
  const set = (c: SKRSContext2D, size: number, ink: string, said: string, x = 20.3, y = 60.4) => {
    c.font = `${size}px "Ink 400-normal"`
    c.fillStyle = ink
    c.fillText(said, x, y)
  }
  const inkOf = async (draw: (c: SKRSContext2D) => void, ground: string) =>
    readInk(await picture(draw, undefined, ground), { x: 0, y: 30, w: W, h: 60 }, ground).color!

  test.each([
    [12, '#767676', '#ffffff'],
    [13, '#333333', '#ffffff'],
    [13, '#d8c7a0', '#13243a'],
    [14, '#1a5c8a', '#f3ead9'],
    [13, '#ffffff', '#2b6a5b'],
  ])('%i px of %s on %s', async (size, ink, ground) => {
    const found = await inkOf(
      (c) => set(c, size, ink, 'Every packet holds seed for about four metres of bed.'),
      ground,
    )
    // Under 3 nobody tells two colours apart beside each other (common practice, no source).
    expect(apart(found, ink)).toBeLessThan(3)
  })

  test('one darker word does not give its ink to the rest', async () => {
    const found = await inkOf((c) => {
      set(c, 14, '#8a8a8a', 'Every packet holds seed for about four metres of bed, and')
      set(c, 14, '#222222', 'more', 420)
    }, '#ffffff')
    expect(apart(found, '#8a8a8a')).toBeLessThan(3)
  })
})
