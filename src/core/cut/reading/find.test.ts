import type { Cut } from '../plan'
import { plainOf, textOf } from '../../email/richtext'
import { readAndFind } from './find'
import type { Layout, Reader, SeenLine, View } from './reader'

const line = (text: string, confidence = 95): SeenLine => ({
  text,
  confidence,
  bbox: { x0: 10, y0: 10, x1: 110, y1: 30 },
  baseline: { x0: 10, y0: 28, x1: 110, y1: 28 },
  words: [{ text, confidence, bbox: { x0: 10, y0: 10, x1: 110, y1: 30 } }],
})
/** A reader that says what it is told to, and remembers what it was asked. */
function readerOf(say: (view: View, layout: Layout, language: string) => SeenLine[]) {
  const asked: { view: View; layout: Layout; language: string }[] = []
  const reader: Reader = {
    language: 'eng',
    read(view, layout) {
      asked.push({ view, layout, language: this.language })
      return Promise.resolve(say(view, layout, this.language))
    },
  }
  return { reader, asked }
}
const cut = (more: Partial<Cut>): Cut => ({
  id: 'a',
  x: 0,
  y: 0,
  w: 200,
  h: 40,
  kind: 'words',
  alt: null,
  link: '',
  words: null,
  ground: '#ffffff',
  ...more,
})
const found = (cuts: Cut[]) => () => Promise.resolve({ edges: [], panels: [], cuts })
const size = { width: 600, height: 400 }

test('what the reading of the whole missed is read again by itself, and only that', async () => {
  const { reader, asked } = readerOf((view) => [line(view.rect.w === 600 ? 'Whole' : 'Alone')])
  const said = cut({ id: 'b', y: 100, words: textOf('Whole') })
  const { cuts } = await readAndFind({ reader, size, scale: 2, here: [], find: found([cut({}), said]) })
  expect(cuts.map((c) => plainOf(c.words!))).toEqual(['Alone', 'Whole'])
  expect(asked.filter((a) => a.view.rect.w !== 600).map((a) => a.view.rect)).toEqual([
    { x: 0, y: 0, w: 200, h: 40 },
  ])
})

test('a box on a picture whose label cannot be read is no button', async () => {
  const { reader } = readerOf(() => [])
  const box = cut({ kind: 'button', ground: null, seen: { part: 'button', sure: 0.4 } })
  const { cuts } = await readAndFind({
    reader,
    size,
    scale: 2,
    here: [],
    find: found([box, cut({ id: 'b' })]),
  })
  expect(cuts.map((c) => c.id)).toEqual(['b'])
})

test('a design in another language is read in that where it can be, and the language is said in any case', async () => {
  const german = 'der Hof und die Kiste mit dem Obst fur Sie von uns'.split(' ')
  const say = () =>
    german.map((word, i) => ({
      ...line(word),
      words: [{ text: word, confidence: 95, bbox: { x0: 100 * i, y0: 10, x1: 100 * i + 80, y1: 30 } }],
    }))
  for (const [here, expected] of [
    [['eng', 'deu'], 'deu'],
    [['eng'], 'eng'],
  ] as const) {
    const { reader, asked } = readerOf(say)
    const { language } = await readAndFind({ reader, size, scale: 2, here, find: found([]) })
    expect(language).toBe('deu')
    expect(asked.at(-1)!.language).toBe(expected)
  }
})

test('an old price is taken as read again only where it is figures', async () => {
  for (const [text, expected] of [
    ['£79 £99', '£79 £99'],
    ['£79 LC', '£80 £99'],
  ]) {
    const { reader } = readerOf((view) => (view.rect.w === 600 ? [] : [line(text!)]))
    const price = cut({ words: textOf('£80 £99'), struck: [false, true] })
    const { cuts } = await readAndFind({ reader, size, scale: 2, here: [], find: found([price]) })
    expect(plainOf(cuts[0]!.words!)).toBe(expected)
  }
})
