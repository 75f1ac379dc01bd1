import fc from 'fast-check'
import { applyEdit } from '@/core/email/edits'
import { cellsOf } from '@/core/email/walk'
import type { Email } from '@/core/email/schema'
import type { Tile, TileKind, TileOf } from '@/core/email/tile'
import { newTile, tileSchema } from '@/core/tiles'
import { anyEmail } from './emails'
import { picture } from './tiles'

const words = fc.constantFrom('A berth', 'Night & day', '"Twelve" <hours>', 'مرحبا', '1 > 0', '{{braces}}')
const link = fc.constantFrom('https://a.example/x?y=1&z=2', 'mailto:a@b.example', '')
const page = fc.constantFrom('https://a.example/answer', 'https://a.example/answer?of=1#there')
const shows = fc.record({ picture: fc.constant(picture), alt: words })
const color = fc.constantFrom('#1f4f8a', '#e9a23b', '#ffffff', '#101418')
const base = {
  id: fc.stringMatching(/^[a-z][a-z0-9]{5,9}$/),
  padding: fc.constant({ top: 4, right: 0, bottom: 8, left: 0 }),
  show: fc.constantFrom('all' as const, 'wide' as const, 'narrow' as const),
  accent: fc.option(color, { nil: undefined }),
}
const target = fc.record({ action: fc.constant('https://a.example/take'), page })
const sayings = fc.record({ send: words, waiting: words, thanks: words, failed: words })
const few = <T>(of: fc.Arbitrary<T>, most = 4) => fc.array(of, { minLength: 1, maxLength: most })

const asked = fc
  .record({
    kind: fc.constantFrom(
      'text' as const,
      'lines' as const,
      'email' as const,
      'number' as const,
      'date' as const,
      'choice' as const,
      'several' as const,
      'consent' as const,
    ),
    label: words,
    required: fc.boolean(),
  })
  .map((a) => ({
    ...a,
    options: ['One', 'Two & a half'],
    ...(a.kind === 'text' ? { pattern: '[a-z]+', title: 'small letters' } : {}),
    ...(a.kind === 'number' ? { least: '1', most: '9' } : {}),
    ...(a.kind === 'date' ? { least: '2027-01-01', most: '2027-12-31' } : {}),
  }))

const of: {
  [
    K in Extract<
      TileKind,
      'panels' | 'carousel' | 'spots' | 'swap' | 'rating' | 'form' | 'quiz' | 'swatches' | 'live'
    >
  ]: fc.Arbitrary<Omit<TileOf<K>, keyof typeof base>>
} = {
  panels: fc.record({
    kind: fc.constant('panels' as const),
    as: fc.constantFrom('reveal' as const, 'tabs' as const),
    one: fc.boolean(),
    open: fc.constantFrom(null, 0, 1),
    panels: few(
      fc.record({
        title: words,
        text: words,
        shows: fc.option(shows, { nil: undefined }),
        label: words,
        link,
      }),
    ),
  }),
  carousel: fc.record({
    kind: fc.constant('carousel' as const),
    slides: few(fc.record({ shows, caption: words, link })),
  }),
  spots: fc.record({
    kind: fc.constant('spots' as const),
    shows,
    hint: words,
    spots: fc.array(
      fc.record({
        x: fc.constantFrom(0, 0.25, 1),
        y: fc.constantFrom(0, 0.333, 1),
        title: words,
        text: words,
        link,
      }),
      { maxLength: 4 },
    ),
  }),
  swap: fc.record({
    kind: fc.constant('swap' as const),
    how: fc.constantFrom('hover' as const, 'press' as const, 'uncover' as const),
    first: shows,
    second: shows,
    hint: words,
    link,
  }),
  rating: fc.record({
    kind: fc.constant('rating' as const),
    question: words,
    scale: fc.constantFrom('stars' as const, 'ten' as const, 'faces' as const),
    low: words,
    high: words,
    target,
    sayings,
  }),
  form: fc
    .record({
      kind: fc.constant('form' as const),
      title: words,
      asked: few(asked, 8),
      results: fc.boolean(),
      target,
      sayings,
    })
    .map((f) => ({ ...f, asked: f.asked.map((a, i) => ({ ...a, name: `q${i}` })) })),
  quiz: fc.record({
    kind: fc.constant('quiz' as const),
    questions: few(
      fc.record({
        ask: words,
        options: fc.constant(['One', 'Two', 'Three']),
        right: fc.integer({ min: 0, max: 2 }),
        why: words,
      }),
      3,
    ),
    results: fc.constant([
      { from: 0, title: 'None', text: '' },
      { from: 1, title: 'Some', text: 'Go on' },
    ]),
    label: words,
    link,
  }),
  swatches: fc.record({
    kind: fc.constant('swatches' as const),
    title: words,
    options: few(fc.record({ name: words, color, shows, price: words, link })),
    label: words,
  }),
  live: fc.record({
    kind: fc.constant('live' as const),
    address: fc.constant('https://a.example/list.json'),
    items: fc.constantFrom('items', ''),
    title: fc.constant('title'),
    text: fc.constantFrom('text', ''),
    price: fc.constantFrom('price', ''),
    picture: fc.constantFrom('picture', ''),
    link: fc.constantFrom('link', ''),
    pictureWidth: fc.constant(64),
    pictureHeight: fc.constant(48),
    most: fc.integer({ min: 1, max: 5 }),
    label: words,
    rows: few(fc.record({ title: words, text: words, price: words, link })),
    page,
    more: words,
  }),
}

export const interactiveKinds = Object.keys(of) as (keyof typeof of)[]

/** Any interactive tile of a kind. */
export const interactiveOf = (kind: keyof typeof of): fc.Arbitrary<Tile> =>
  fc
    .tuple(fc.record(base), of[kind] as fc.Arbitrary<object>)
    .map(([b, own]) => tileSchema.parse(JSON.parse(JSON.stringify({ ...newTile(kind), ...b, ...own }))))

/** Any interactive tile. */
export const anyInteractive: fc.Arbitrary<Tile> = fc.oneof(...interactiveKinds.map(interactiveOf))

/** Emails as people make them, with interactive tiles in their cells. */
export const interactiveEmail: fc.Arbitrary<Email> = fc
  .tuple(
    anyEmail.filter((e) => e.bands.length > 0),
    fc.array(anyInteractive, { minLength: 1, maxLength: 4 }),
  )
  .map(([email, tiles]) =>
    tiles.reduce<Email>((e, tile, i) => {
      const cells = e.bands.flatMap((b) => [...cellsOf(b)])
      const cell = cells[(i * 7) % cells.length]!
      return applyEdit(e, {
        name: 'addTile',
        what: { cell: cell.id, at: 0, tile: { ...tile, id: `${tile.id}${i}` } },
      })
    }, email),
  )
