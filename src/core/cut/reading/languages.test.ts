import { guessedLanguage, languageTagged, readingLanguages } from './languages'

const guessed = (...texts: string[]) => guessedLanguage(texts.map((text) => ({ text })))?.code

// Beginnings of the Universal Declaration of Human Rights, article 1, as the United Nations publish it in each language (from memory).
test.each([
  [
    'eng',
    'All human beings are born free and equal in dignity and rights. They are endowed with reason and conscience and should act towards one another in a spirit of brotherhood. It is the right of you and your',
  ],
  [
    'deu',
    'Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt und sollen einander im Geist der Brüderlichkeit begegnen.',
  ],
  [
    'fra',
    'Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison et de conscience et doivent agir les uns envers les autres dans un esprit de fraternité.',
  ],
  [
    'spa',
    'Todos los seres humanos nacen libres e iguales en dignidad y derechos y, dotados como están de razón y conciencia, deben comportarse fraternalmente los unos con los otros. Para que el',
  ],
  [
    'pol',
    'Wszyscy ludzie rodzą się wolni i równi pod względem swej godności i swych praw. Są oni obdarzeni rozumem i sumieniem i powinni postępować wobec innych w duchu braterstwa. Nie jest to dla',
  ],
  [
    'nld',
    'Alle mensen worden vrij en gelijk in waardigheid en rechten geboren. Zij zijn begiftigd met verstand en geweten, en behoren zich jegens elkander in een geest van broederschap te gedragen, voor het een.',
  ],
])('%s is told by its short words', (code, text) => {
  expect(guessed(text)).toBe(code)
})

test('words whose accents were lost in reading still tell their language', () => {
  expect(
    guessed(
      'Frisch vom Feld in lhre Kiiche',
      'was gerade reif ist und',
      'wir liefern fur die Familie',
      'mit der Kiste',
    ),
  ).toBe('deu')
})

test('a few names and prices tell none', () => {
  expect(guessed('Lumen House', '€189', 'Arc desk lamp', 'Add to bag')).toBeUndefined()
})

test('an email that is in a language by its tag is read in that', () => {
  expect(languageTagged('de-AT')?.code).toBe('deu')
  expect(languageTagged('ar')?.dir).toBe('rtl')
  expect(languageTagged('xx')).toBeUndefined()
  expect(new Set(readingLanguages.map((l) => l.code)).size).toBe(readingLanguages.length)
})
