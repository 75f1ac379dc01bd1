import fc from 'fast-check'
import { toHtml } from 'hast-util-to-html'
import sharp from 'sharp'
import { house, longEmail, anyEmail } from '@/test-support/emails'
import { samples } from '@/test-support/samples'
import { contrast } from '../color/contrast'
import { colorDifference } from '../color/difference'
import { fromOklch, toOklch } from '../color/oklch'
import { bandTrees, compile } from '../compile'
import { newEmail } from '../email/defaults'
import { applyEdit } from '../email/edits'
import type { Email } from '../email/schema'
import { textStyleNames } from '../email/styles'
import { elementsOf } from '../html/elements'
import { styleOfElement } from '../html/values'
import { toComments } from '../html/conditions'
import { el, text } from '../html/element'
import { behaviourIds, behaviours } from './behaviours'
import { colorsOf } from './colors'
import { edgesOf, vanishes } from './edges'
import { brightness, turnedOver } from './lightness'
import { flattened, freed, haloed, lightened, plated } from './mends'
import { byDay, recoloredAround, withRules } from './page'
import { nightEdge, nightPalette } from './palette'
import { holds } from './holds'
import { proposal } from './propose'
import { recolored, underBehaviour, usesOf } from './recolor'
import { recoloredHand } from './by-hand'
import { countColor, countInEmail, emailWithColor, withColor } from './replace'

const color = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map((v) => `#${v.map((n) => n.toString(16).padStart(2, '0')).join('')}`)

describe('colours', () => {
  // CSS Color 4, sample conversions of the specification and its reference code.
  test.each([
    ['#ffffff', 1, 0],
    ['#000000', 0, 0],
    ['#ff0000', 0.628, 0.2577],
    ['#00ff00', 0.8664, 0.2948],
    ['#0000ff', 0.452, 0.3132],
  ])('%s in OKLCH', (hex, l, c) => {
    const [L, C] = toOklch(hex)
    expect(L).toBeCloseTo(l, 3)
    expect(C).toBeCloseTo(c, 3)
  })
  test('there and back is the same colour', () => {
    fc.assert(
      fc.property(color, (hex) => {
        expect(fromOklch(toOklch(hex))).toBe(hex)
      }),
      { numRuns: samples(400) },
    )
  })
  test('turned over as the browser does: the two values that it was seen to give', () => {
    // docs of the trade facts: Chromium forced dark, #F6F1E7 and #FFFFFF.
    expect(turnedOver('#ffffff')).toBe('#121212')
    expect(colorDifference(turnedOver('#f6f1e7'), '#28251d')).toBeLessThan(1)
    expect(brightness('#767676')).toBe(118)
  })
})

const nodes = [
  el('div', { style: 'background-color:#ffffff;color:#222222;border-top:1px solid #eeeeee' }, [
    el('p', null, text('dark on light')),
    el('a', { style: 'background-color:#204080;color:#ffffff', href: '#' }, text('a button')),
    el('div', { style: 'background-color:#101820;color:#f0f0f0' }, text('light on dark')),
  ]),
]
const stylesOf = (id: (typeof behaviourIds)[number]) =>
  recolored(nodes, behaviours[id], '#f4efe6').flatMap((n) =>
    n.type === 'element' ? [...elementsOf(n)].map((e) => styleOfElement(e)) : [],
  )

describe('behaviours', () => {
  test('as written recolours nothing', () => {
    expect(recolored(nodes, behaviours.written, '#ffffff')).toEqual(nodes)
  })
  test('partly inverted: light grounds and the dark words on them change, dark grounds and their words stay', () => {
    const [outer, , button, dark] = stylesOf('partly')
    expect(outer).toMatchObject({ 'background-color': '#121212' })
    expect(contrast(outer!.color!, '#121212')).toBeGreaterThan(7)
    expect(button).toMatchObject({ 'background-color': '#204080', color: '#ffffff' })
    expect(dark).toMatchObject({ 'background-color': '#101820', color: '#f0f0f0' })
  })
  test('a ground that is a picture stays, and so do the words on it', () => {
    const hero = [el('td', { style: 'background:#ffffff url(a.png);color:#111111' }, text('on a picture'))]
    const [td] = recolored(hero, behaviours.partly, '#ffffff')
    expect(styleOfElement(td as never)).toMatchObject({ color: '#111111' })
    expect(styleOfElement(td as never).background).toContain('#ffffff')
  })
  test('fully inverted: all dark words become light, whatever they stand on', () => {
    const on = [el('td', { style: 'background-color:#808080;color:#111111' }, text('grey'))]
    const [td] = recolored(on, behaviours.fully, '#ffffff')
    expect(brightness(styleOfElement(td as never).color!)).toBeGreaterThan(150)
  })
  /*
   * Seen in Thunderbird 153, dark, of our own emails, and read in its source: what is light goes, what is dark goes from words, and an ink
   * on a ground of its own stays where that carries it.
   */
  test('the desktop program takes light grounds and dark inks away; an ink on its own ground stays', () => {
    const [outer, , button, dark] = stylesOf('desktop')
    expect(outer!['background-color']).toBeUndefined()
    expect(outer!.color).toBe('#eeeef0')
    expect(button).toMatchObject({ 'background-color': '#204080', color: '#ffffff' })
    expect(dark).toMatchObject({ 'background-color': '#101820', color: '#f0f0f0' })
    const amber = (label: string) => [
      el('td', { style: 'background-color:#e8a33d' }, [
        el('a', { href: '#', style: 'color:#17282c' }, [el('span', { style: label }, text('Go'))]),
      ]),
    ]
    const spanOf = (label: string) => {
      const [td] = recolored(amber(label), behaviours.desktop, '#ffffff')
      const elements = [...elementsOf(td as never)].map((e) => styleOfElement(e))
      expect(elements[0]!['background-color']).toBe('#e8a33d')
      return elements.at(-1)!.color
    }
    expect(spanOf('color:#17282c')).toBe('#58c9ff')
    expect(spanOf('color:#17282c;background-color:#e8a33d')).toBe('#17282c')
  })
  test('a white card on a dark band goes, and what is on it stands on the band', () => {
    const card = [
      el('td', { style: 'background-color:#12343b' }, [
        el('div', { style: 'background-color:#ffffff;color:#222222' }, text('on a card')),
      ]),
    ]
    const uses = usesOf(card, { page: '#ffffff', night: '#ffffff', rules: new Map() })
    const words = uses.find((u) => u.what === 'words')!
    expect(underBehaviour(words, behaviours.desktop)).toEqual({ color: '#eeeef0', ground: '#12343b' })
    expect(underBehaviour(words, behaviours.written)).toEqual(words.night)
  })
  test('nothing is lost but colours: words, order and all other declarations stay', () => {
    fc.assert(
      fc.property(anyEmail, fc.constantFrom(...behaviourIds), (email, id) => {
        const src = ({ id: p }: { id: string }) => p
        for (const { tree } of bandTrees(email, house, { src })) {
          const after = recolored(tree.tree, behaviours[id], '#ffffff')
          const of = (children: typeof after) =>
            toHtml({ type: 'root', children: toComments(children) }).replace(
              / (?:style|bgcolor)="[^"]*"/g,
              '',
            )
          expect(of(after)).toBe(of(tree.tree))
        }
      }),
      { numRuns: samples(15) },
    )
  })
  test('the email’s own rules hold where the reader lets them', () => {
    const html =
      '<style>@media (prefers-color-scheme:dark){.a{color:#fff}}[data-ogsc] .a{color:#eee}</style></head><body style="background-color:#ffffff">'
    expect(withRules(html, behaviours.written)).toContain('@media all{')
    expect(withRules(html, behaviours.attributes)).toContain('}.a{color:#eee}')
    expect(withRules(html, behaviours.fully)).toBe(html)
    expect(recoloredAround(html, behaviours.fully)).toContain('<body style="background-color:#121212">')
    expect(recoloredAround(html, behaviours.fully)).toContain('color:#fff}')
  })
})

describe('an email of a person’s own HTML', () => {
  const html = `<!doctype html><html><head><style>.card{background-color:#FFFFFF;color:#222222}@media (prefers-color-scheme:dark){.card{background-color:#101112!important;color:#eeeeee!important}}</style></head><body bgcolor="#f4efe6"><div class="card"><p>Words on a card</p><a href="#" style="color:#0f6d6a">A link</a></div></body></html>`
  const email: Email = {
    ...newEmail(600),
    way: 'hand',
    hand: { ...newEmail(600).hand, html } as Email['hand'],
  }
  test('is recoloured by its elements and its sheets; as written it is left byte for byte', () => {
    expect(recoloredHand(html, behaviours.written)).toBe(html)
    const fully = recoloredHand(html, behaviours.fully)
    expect(fully).toContain('Words on a card')
    const own = 'html{background-color:#121212;color:#ffffff}'
    expect(fully).toContain(own)
    expect(fully.replace(own, '')).not.toMatch(/(?:color:|bgcolor=")#(?:ffffff|222222|f4efe6)/i)
    // Where it says nothing, the reader's own stands: dark, with light words.
    expect(recoloredHand(html, behaviours.desktop)).toContain('html{background-color:#18181b;color:#eeeef0}')
    // Its own rules for the dark are still there, for readers that let them hold.
    expect(fully).toContain('prefers-color-scheme')
  })
  test('has its colours in the table, by day and by its own rules; one is put in place of another in its text', () => {
    const colors = colorsOf(email, house)
    const ink = colors.find((c) => c.color === '#222222')!
    expect(ink.uses[0]).toMatchObject({
      what: 'words',
      ground: '#ffffff',
      night: { color: '#eeeeee', ground: '#101112' },
    })
    expect(ink.uses[0]!.at.written).toMatchObject({ color: '#eeeeee', ground: '#101112' })
    expect(colors.map((c) => c.color)).toEqual(expect.arrayContaining(['#ffffff', '#0f6d6a']))
    expect(countInEmail(email, '#ffffff')).toBe(1)
    const changed = emailWithColor(email, '#ffffff', '#fafafa')
    expect(changed.hand!.html).toBe(html.replace('#FFFFFF', '#fafafa'))
    expect(emailWithColor({ ...email, way: 'bands' }, '#ffffff', '#fafafa').hand!.html).toBe(html)
  })
})

describe('proposals', () => {
  const needs = fc.array(fc.record({ ground: color, wanted: fc.constantFrom(3, 4.5) }), {
    minLength: 1,
    maxLength: 2,
  })
  test('a proposed colour always holds, by day and under every behaviour', () => {
    fc.assert(
      fc.property(color, needs, (ink, grounds) => {
        const found = proposal(ink, { grounds })
        if (found) expect(holds(found, { grounds })).toBe(true)
      }),
      { numRuns: samples(40) },
    )
  })
  test('it is the nearest on a fine grid, within 0.5 (CIEDE2000)', () => {
    fc.assert(
      fc.property(color, needs, (ink, grounds) => {
        const found = proposal(ink, { grounds })
        let least = Infinity
        for (let r = 0; r < 256; r += 15)
          for (let g = 0; g < 256; g += 15)
            for (let b = 0; b < 256; b += 15) {
              const hex = `#${[r, g, b].map((n) => n.toString(16).padStart(2, '0')).join('')}`
              if (holds(hex, { grounds })) least = Math.min(least, colorDifference(ink, hex))
            }
        if (found) expect(colorDifference(ink, found)).toBeLessThanOrEqual(least + 0.5)
        // What a grid finds, the search finds.
        else expect(least).toBe(Infinity)
      }),
      {
        numRuns: samples(10),
        // Found by this test: what holds lies in pieces, the nearest of them far from the ink's own hue.
        examples: [
          [
            '#af00dc',
            [
              { ground: '#930102', wanted: 4.5 },
              { ground: '#000000', wanted: 3 },
            ],
          ],
          [
            '#f61f98',
            [
              { ground: '#4a7722', wanted: 4.5 },
              { ground: '#461124', wanted: 4.5 },
            ],
          ],
        ],
      },
    )
  })
  test('what holds already is its own proposal; what cannot hold has none', () => {
    expect(proposal('#222222', { grounds: [{ ground: '#ffffff', wanted: 4.5 }] })).toBe('#222222')
    const both = [
      { ground: '#ffffff', wanted: 4.5 },
      { ground: '#000000', wanted: 4.5 },
    ]
    const found = proposal('#336699', { grounds: both })
    if (found) expect(holds(found, { grounds: both })).toBe(true)
    const never = [...both, { ground: '#767676', wanted: 4.5 }]
    expect(proposal('#336699', { grounds: never })).toBeNull()
  })
})

describe('the colours of an email', () => {
  const email = longEmail(3)
  test('every colour of its words and grounds stands in the table, with its places', () => {
    const colors = colorsOf(email, house)
    const html = compile(email, house, { src: () => 'a.png' })
    for (const c of colors) expect(html.toLowerCase()).toContain(c.color)
    expect(colors.length).toBeGreaterThan(2)
    const body = colors.find((c) => c.color === house.text.body.color)!
    expect(body.uses.some((u) => u.what === 'words' && u.band)).toBe(true)
    for (const c of colors) for (const id of behaviourIds) expect(c.at[id]).toMatch(/^#[0-9a-f]{6}$/)
  })
  test('a colour is put in place of another everywhere but at night, and nothing else is touched', () => {
    const doc = {
      a: { color: '#112233', nightColor: '#112233' },
      list: ['#112233', '#445566'],
      same: { color: '#000000' },
    }
    const next = withColor(doc, '#112233', '#aabbcc')
    expect(next).toEqual({
      a: { color: '#aabbcc', nightColor: '#112233' },
      list: ['#112233', '#445566'],
      same: { color: '#000000' },
    })
    expect(next.same).toBe(doc.same)
    expect(countColor(doc, '#112233')).toBe(1)
    expect(withColor(doc, '#999999', '#aabbcc')).toBe(doc)
  })
  test('a whole palette for the night is read on its grounds, and keeps what was set', () => {
    const edits = nightPalette(email, house)
    const night = edits.reduce(applyEdit, email)
    expect(night.styles.nightGround).toBeDefined()
    for (const c of colorsOf(night, house))
      for (const u of c.uses)
        if (u.what === 'words' && u.day.contrast >= u.day.wanted)
          expect(u.at.written.contrast).toBeGreaterThanOrEqual(u.at.written.wanted)
    const kept = { ...email, styles: { ...email.styles, nightGround: '#010203' } }
    expect(nightPalette(kept, house).reduce(applyEdit, kept).styles.nightGround).toBe('#010203')
  })
  test('no colour of the night that was set is set anew: grounds, letters and links', () => {
    const own = '#2a1b0c'
    const [band] = email.bands
    const set: Email = {
      ...email,
      styles: {
        nightGround: own,
        text: Object.fromEntries(textStyleNames.map((n) => [n, { nightColor: '#fafafa' }])),
        link: { nightColor: '#fbe9a0' },
      },
      bands: [
        {
          ...band!,
          ...{ background: '#ffffff', nightBackground: own, bleed: '#f4efe6', nightBleed: own },
          cells: band!.cells.map((c) => ({ ...c, background: '#eeeeee', nightBackground: own })),
        },
        ...email.bands.slice(1),
      ],
    }
    const night = nightPalette(set, house).reduce(applyEdit, set)
    expect(night.styles).toEqual(set.styles)
    expect(night.bands[0]).toEqual(set.bands[0])
  })
  test('an edge for cards is its ground by day, and seen at night', () => {
    const edge = nightEdge('#ffffff')
    expect(edge.color).toBe('#ffffff')
    expect(contrast(edge.nightColor, turnedOver('#ffffff'))).toBeGreaterThan(2)
  })
})

/** A picture drawn as SVG, as pixels. */
async function pixels(svg: string, width = 40, height = 30) {
  const whole = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${svg}</svg>`
  return {
    width,
    height,
    data: new Uint8Array(await sharp(Buffer.from(whole)).ensureAlpha().raw().toBuffer()),
  }
}
const at = (p: { data: Uint8Array | Uint8ClampedArray; width: number }, x: number, y: number) => [
  ...p.data.slice((y * p.width + x) * 4, (y * p.width + x) * 4 + 4),
]

describe('pictures at night', () => {
  const mark = () => pixels('<circle cx="20" cy="15" r="10" fill="#101418"/>')
  const boxed = () =>
    pixels(
      '<rect width="40" height="30" fill="#ffffff"/><circle cx="20" cy="15" r="9" fill="#b44b2a"/><circle cx="20" cy="15" r="4" fill="#ffffff"/>',
    )
  test('a dark mark vanishes on a dark ground, and not on a light one', async () => {
    const edges = edgesOf(await mark())
    expect(edges.clear).toBe(true)
    expect(vanishes(edges, '#121212')).toBeGreaterThan(0.95)
    expect(vanishes(edges, '#ffffff')).toBe(0)
  })
  test('a white box is found; a photograph, a dark box and a mark are none', async () => {
    expect(edgesOf(await boxed()).box).toBe('#ffffff')
    expect(edgesOf(await mark()).box).toBeNull()
    expect(edgesOf(await pixels('<rect width="40" height="30" fill="#203040"/>')).box).toBeNull()
    const slope =
      '<linearGradient id="g"><stop stop-color="#fff"/><stop offset="1" stop-color="#cde"/></linearGradient><rect width="40" height="30" fill="url(#g)"/>'
    expect(edgesOf(await pixels(slope)).box).toBeNull()
  })
  test('each mend does away with what was found', async () => {
    const dark = await mark()
    expect(vanishes(edgesOf(haloed(dark, '#ffffff', 2)), '#121212')).toBeLessThan(0.1)
    expect(at(haloed(dark, '#ffffff', 2), 20, 15)).toEqual([0x10, 0x14, 0x18, 255])
    // An outline is as wide as it says: so far behind the rim the picture is opaque.
    const reach = (p: Parameters<typeof at>[0]) =>
      Array.from({ length: 20 }, (_, d) => at(p, 20 + d, 15)[3]! > 127).lastIndexOf(true)
    for (const width of [1, 2, 4]) {
      const outlined = haloed(dark, '#ffffff', width)
      expect(Math.abs(reach(outlined) - reach(dark) - width)).toBeLessThanOrEqual(1)
      // Round about, too: a disc outlined is a larger disc.
      for (let y = 0; y < 30; y++)
        for (let x = 0; x < 40; x++)
          if (at(outlined, x, y)[3]! > 127)
            expect(Math.hypot(x + 0.5 - 20, y + 0.5 - 15)).toBeLessThan(10 + width + 1)
    }
    expect(vanishes(edgesOf(lightened(dark)), '#121212')).toBe(0)
    expect(edgesOf(flattened(dark, '#f4efe6')).clear).toBe(false)
    const plate = plated(dark, '#ffffff', 8)
    expect(at(plate, 0, 0)[3]).toBe(0)
    expect(at(plate, 20, 1)).toEqual([255, 255, 255, 255])
  })
  test('a box is cut free from outside; what is white within stays', async () => {
    const free = freed(await boxed(), '#ffffff')
    expect(at(free, 1, 1)[3]).toBe(0)
    expect(at(free, 20, 15)).toEqual([255, 255, 255, 255])
    expect(at(free, 20, 8)).toEqual([0xb4, 0x4b, 0x2a, 255])
  })
  test('dark ink becomes light and keeps its hue; what is light stays', async () => {
    const two = await pixels(
      '<rect width="20" height="30" fill="#12343b"/><rect x="20" width="20" height="30" fill="#f0cf98"/>',
    )
    const light = lightened(two)
    const hex = (v: number[]) =>
      `#${v
        .slice(0, 3)
        .map((n) => n.toString(16).padStart(2, '0'))
        .join('')}`
    const [, , before] = toOklch('#12343b')
    const [l, , after] = toOklch(hex(at(light, 5, 5)))
    expect(l).toBeGreaterThan(0.8)
    expect(Math.abs(after - before)).toBeLessThan(12)
    expect(hex(at(light, 30, 5))).toBe('#f0cf98')
  })
})

describe('seen in programs', () => {
  // Measured in Chromium 156 with forced dark mode, borders of 15 px on a white page (December 2026).
  test.each([
    ['#000000', 87, 87, 87],
    ['#222222', 78, 78, 78],
    ['#444444', 117, 117, 117],
    ['#777777', 60, 60, 60],
    ['#999999', 69, 69, 69],
    ['#cccccc', 120, 120, 120],
    ['#ffffff', 87, 87, 87],
    ['#b3661e', 116, 70, 27],
    ['#e3b23c', 143, 112, 37],
    ['#1f4f8a', 53, 65, 87],
  ] as [string, number, number, number][])('a border of %s where all is inverted', (color, ...rgb) => {
    const ours = behaviours.fully.border(color, { before: '#ffffff', after: '#121212', picture: false })
    for (const [i, v] of [1, 3, 5].entries())
      expect(Math.abs(Number.parseInt(ours.slice(v, v + 2), 16) - rgb[i]!)).toBeLessThanOrEqual(4)
  })
  test('the desktop program shows pictures for the dark and leaves buttons of forms alone; others show none', () => {
    const html = '<picture><source srcset="n" media="(prefers-color-scheme:dark)"><img src="d"></picture>'
    expect(withRules(html, behaviours.desktop)).toContain('media="all"')
    expect(withRules(html, behaviours.written)).toContain('media="all"')
    for (const id of ['partly', 'fully', 'attributes'] as const)
      expect(withRules(html, behaviours[id])).toContain('media="not all"')
    const button = el('button', { style: 'background-color:#ffffff;color:#222222' }, 'Send')
    expect(recolored([button], behaviours.desktop, '#ffffff')).toEqual([button])
    expect(recolored([button], behaviours.fully, '#ffffff')).not.toEqual([button])
  })
})

// Seen in Thunderbird 153 in the dark, 2026-12: eight cells with a gradient, each with or without a plain colour of its own.
test('the desktop program takes a gradient away where a plain colour stands beside it, and leaves it alone elsewhere', () => {
  const shown = (style: string) => {
    const cell = { type: 'element' as const, tagName: 'td', properties: { style }, children: [] }
    const [after] = recolored([cell], behaviours.desktop, '#ffffff')
    return String((after as typeof cell).properties.style ?? '')
  }
  const light = 'background-image:linear-gradient(90deg,#ffffff,#8fc7d6)'
  const dark = 'background-image:linear-gradient(90deg,#123456,#0a1c30)'
  expect(shown(`background-color:#ffffff;${light};color:#112233`)).toBe('color:#eeeef0')
  expect(shown(`${light};color:#112233`)).toBe(`${light};color:#eeeef0`)
  expect(shown(`background-color:#123456;${dark};color:#ffffff`)).toBe('color:#ffffff')
  expect(shown(`${dark};color:#ffffff`)).toBe(`${dark};color:#ffffff`)
  expect(shown('background:#ffffff linear-gradient(90deg,#ffffff,#8fc7d6);color:#112233')).toBe(
    'color:#eeeef0',
  )
  expect(shown(`background-color:#eeeeee;${dark};color:#ffffff`)).toBe('color:#ffffff')
  // The ink was left for a ground that is gone: what nobody can read, so that the check has to say it.
  expect(
    shown('background-color:#8899aa;background-image:linear-gradient(90deg,#8899aa,#667788);color:#112233'),
  ).toBe('color:#112233')
})

test('by day no rule for the dark is left to the window that shows an email', () => {
  const html =
    '<style>@media (prefers-color-scheme:dark){.a{color:red}}</style><picture><source media="(prefers-color-scheme: dark)" srcset="n.png"><img src="d.png"></picture>'
  expect(byDay(html)).toBe(
    '<style>@media not all{.a{color:red}}</style><picture><source media="not all" srcset="n.png"><img src="d.png"></picture>',
  )
})
