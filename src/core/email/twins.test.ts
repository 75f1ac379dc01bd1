import fc from 'fast-check'
import { anyEmail, composed, longEmail } from '@/test-support/emails'
import { samples } from '@/test-support/samples'
import { applyEdit } from './edits'
import type { Band, Email } from './schema'
import { partedIntoTwins, twinOf, withoutPair } from './twins'
import { placesOf, tilesOf } from './walk'

const words = (text: string) => ({
  type: 'doc' as const,
  content: [{ type: 'paragraph' as const, content: [{ type: 'text' as const, text }] }],
})
const textOf = (band: Band) => JSON.stringify([...tilesOf(band)].map((t) => ('text' in t ? t.text : null)))

test('twins have ids of their own, one for each width, and whatever one says, the other says too', () => {
  fc.assert(
    fc.property(anyEmail, fc.nat(), (any, n) => {
      const email = composed(any)
      const spoken = [...placesOf(email)].filter((p) => p.tile.kind === 'words')
      if (!spoken.length) return
      const { band, tile } = spoken[n % spoken.length]!
      const parted = partedIntoTwins(email, band.id)
      const wide = parted.bands.find((b) => b.id === band.id)!
      const narrow = twinOf(parted, wide)!
      expect([wide.show, narrow.show, parted.bands.indexOf(narrow)]).toEqual([
        'wide',
        'narrow',
        parted.bands.indexOf(wide) + 1,
      ])
      const ids = [...tilesOf(wide), ...tilesOf(narrow)].map((t) => t.id)
      expect(new Set(ids).size).toBe(ids.length)
      const write = (e: Email, id: string, said: string) =>
        applyEdit(e, { name: 'setTile', what: { id, kind: 'words', set: { text: words(said) } } })
      const said = write(parted, tile.id, 'new')
      const now = twinOf(said, wide)!
      expect(textOf(said.bands.find((b) => b.id === band.id)!)).toBe(textOf(now))
      // And back, from the narrow one.
      const at = [...tilesOf(wide)].findIndex((t) => t.id === tile.id)
      const back = write(said, [...tilesOf(now)][at]!.id, 'newer')
      expect(textOf(back.bands.find((b) => b.id === band.id)!)).toContain('newer')
      // Looks are each one's own.
      const looks = applyEdit(said, {
        name: 'setTile',
        what: { id: tile.id, kind: 'words', set: { align: 'right' } },
      })
      expect(twinOf(looks, wide)).toBe(now)
      // Let differ, each says its own.
      const free = withoutPair(said, wide.twin!)
      expect(JSON.stringify(free)).not.toContain('"twin"')
      expect(textOf(write(free, tile.id, 'mine').bands.find((b) => b.id === now.id)!)).toBe(textOf(now))
    }),
    { numRuns: samples(120) },
  )
})

test('a copy of a twin is in step with nobody', () => {
  const email = partedIntoTwins(longEmail(2), 'none')
  const first = email.bands[0]!
  const parted = partedIntoTwins(email, first.id)
  const copied = applyEdit(parted, { name: 'duplicateBand', what: { id: first.id } })
  expect(copied.bands.filter((b) => b.twin)).toHaveLength(2)
})
