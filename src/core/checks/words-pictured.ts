import type { Check } from './check'

export const wordsPictured: Check = {
  name: 'words-pictured',
  about: 'Words and buttons of the design were read: what was not stands as the picture it is.',
  tile: ({ tile }) => {
    if (tile.kind !== 'picture' || !tile.standsFor) return []
    const words = tile.standsFor === 'words'
    return [
      {
        // With its words as alt text it is at least read aloud.
        severity: tile.alt?.trim() ? 'mind' : 'mend',
        stage: 'cut',
        what: words ? 'Words of the design stand as a picture' : 'A button of the design stands as a picture',
        why: 'They were not read. Read or write them in Cut and build again, or write what they say as the alt text and leave the picture.',
      },
    ]
  },
}
