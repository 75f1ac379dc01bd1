import type { ReadLine } from './lines'

/** A language that words can be read in. */
export interface ReadingLanguage {
  /** As its trained data is called (ISO 639-2/T). */
  code: string
  /** As an email says it (BCP 47). */
  tag: string
  name: string
  dir: 'ltr' | 'rtl'
  /** Its commonest short words, in letters without accents: they are read well enough whatever language is expected. Common practice, no source. */
  common: readonly string[]
}

const words = (text: string) => text.split(' ')

/** Those that trained data is at hand for, or comes with one command. English ships with the app. */
export const readingLanguages: readonly ReadingLanguage[] = [
  {
    code: 'eng',
    tag: 'en',
    name: 'English',
    dir: 'ltr',
    common: words('the and of to in is you your for with we our on are from it this that be not'),
  },
  {
    code: 'deu',
    tag: 'de',
    name: 'German',
    dir: 'ltr',
    common: words(
      'der die das und ist ihre ihr sie wir fur mit auf von zu den dem ein eine nicht im bei aus jetzt oder auch',
    ),
  },
  {
    code: 'fra',
    tag: 'fr',
    name: 'French',
    dir: 'ltr',
    common: words(
      'le la les et de des du un une est pour vous votre vos nos dans sur avec que qui pas au aux en ce cette',
    ),
  },
  {
    code: 'spa',
    tag: 'es',
    name: 'Spanish',
    dir: 'ltr',
    common: words('el los las y de del un una es para con que por su tu no en al como mas nuestro'),
  },
  {
    code: 'ita',
    tag: 'it',
    name: 'Italian',
    dir: 'ltr',
    common: words('il lo gli e di del della un una per con che non in al alla nel sono tuo tua nostro da'),
  },
  {
    code: 'nld',
    tag: 'nl',
    name: 'Dutch',
    dir: 'ltr',
    common: words('de het een en van is voor met op je uw wij niet dat aan bij naar ook onze'),
  },
  {
    code: 'por',
    tag: 'pt',
    name: 'Portuguese',
    dir: 'ltr',
    common: words('o os as e de do da um uma para com que nao em no na por seu sua mais'),
  },
  {
    code: 'pol',
    tag: 'pl',
    name: 'Polish',
    dir: 'ltr',
    common: words('i w na z do sie nie jest to dla od po oraz jak za ze twoj nasz co'),
  },
  {
    code: 'swe',
    tag: 'sv',
    name: 'Swedish',
    dir: 'ltr',
    common: words('och att det som en ett for med pa av ar du din vi till den inte har'),
  },
  {
    code: 'dan',
    tag: 'da',
    name: 'Danish',
    dir: 'ltr',
    common: words('og at det som en et for med pa af er du din vi til den ikke har'),
  },
  {
    code: 'nor',
    tag: 'nb',
    name: 'Norwegian',
    dir: 'ltr',
    common: words('og at det som en et for med pa av er du din vi til den ikke har'),
  },
  {
    code: 'fin',
    tag: 'fi',
    name: 'Finnish',
    dir: 'ltr',
    common: words('ja on ei se etta tai kun niin myos meidan sinun kanssa'),
  },
  {
    code: 'ces',
    tag: 'cs',
    name: 'Czech',
    dir: 'ltr',
    common: words('a v na s z je se ze do pro to jako nebo vas nase'),
  },
  { code: 'ara', tag: 'ar', name: 'Arabic', dir: 'rtl', common: [] },
  { code: 'heb', tag: 'he', name: 'Hebrew', dir: 'rtl', common: [] },
]

export const languageOf = (code: string): ReadingLanguage | undefined =>
  readingLanguages.find((l) => l.code === code)

/** The language whose tag an email bears; undefined where none is known. */
export const languageTagged = (tag: string): ReadingLanguage | undefined =>
  readingLanguages.find((l) => l.tag === tag.split('-')[0]!.toLowerCase())

/** So many of its commonest words tell a language, and more than any other by that much. */
const FEW = 4
const MORE = 1.5

/** The language that words are in, told by its commonest short words, even where accents were lost in reading; null where they tell none. */
export function guessedLanguage(lines: readonly Pick<ReadLine, 'text'>[]): ReadingLanguage | null {
  const said = lines.flatMap((l) => plain(l.text).match(/[a-z]+/g) ?? [])
  const scores = readingLanguages
    .map((language) => {
      const common = new Set(language.common)
      return { language, score: said.filter((w) => common.has(w)).length }
    })
    .sort((a, b) => b.score - a.score)
  const [best, next] = [scores[0]!, scores[1]!]
  return best.score >= FEW && best.score >= MORE * next.score ? best.language : null
}

/** Letters without their accents (Unicode Standard Annex 15, canonical decomposition). */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/ß/g, 'ss')
    .replace(/ø/g, 'o')
    .replace(/ł/g, 'l')
