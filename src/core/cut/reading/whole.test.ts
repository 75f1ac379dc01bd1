import type { Reader, SeenLine } from './reader'
import { readWhole } from './whole'

/** A line as a reader gives it. @param confidence 0 to 100 */
const line = (text: string, confidence: number): SeenLine => ({
  text,
  confidence,
  bbox: { x0: 0, y0: 0, x1: 300, y1: 20 },
  baseline: { x0: 0, y0: 18, x1: 300, y1: 18 },
  words: text.split(' ').map((word, i) => ({
    text: word,
    confidence,
    bbox: { x0: i * 60, y0: 0, x1: i * 60 + 50, y1: 20 },
  })),
})

/** Reads a design of one language: in any other as anything, which it is sure of as measured on drawn designs. */
const readerOf = (language: string, says: string): Reader & { asked: string[] } => ({
  language: 'eng',
  asked: [],
  read() {
    this.asked.push(this.language)
    const right = this.language === language
    return Promise.resolve([line(right ? says : 'Ol Lle Bouas JS', right ? 88 : 23)])
  },
})
const size = { width: 600, height: 400 }

test('a script that is not read is told by what comes out of it, and read in its own language', async () => {
  const reader = readerOf('heb', 'בעשר הרכבת יוצאת')
  const { language, lost, lines } = await readWhole(reader, size, 2, ['eng', 'deu', 'ara', 'heb'])
  expect({ language, lost }).toEqual({ language: 'heb', lost: false })
  expect(lines.map((l) => l.text)).toEqual(['יוצאת הרכבת בעשר'])
  // A language of the same letters could read it no better.
  expect(reader.asked).not.toContain('deu')
})

test('where nothing at hand can read it, that is said', async () => {
  const { language, lost } = await readWhole(readerOf('heb', 'בעשר'), size, 2, ['eng', 'ara'])
  expect({ language, lost }).toEqual({ language: 'eng', lost: true })
})

test('what is read well is not asked about twice', async () => {
  const reader = readerOf('eng', 'The dome opens at nine')
  const { lost } = await readWhole(reader, size, 2, ['eng', 'ara', 'heb'])
  expect(lost).toBe(false)
  expect(new Set(reader.asked)).toEqual(new Set(['eng']))
})
