import fc from 'fast-check'
import { seenBy, unbalanced, wordsOf, type Audience } from '@/test-support/audiences'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import { goods, letter, referenceHouse, stories } from '@/test-support/references'
import { samples } from '@/test-support/samples'
import { newId } from '../email/defaults'
import type { Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import { starterEmail, starterLayouts } from '../starters'
import { compile } from './index'

const src = (p: { id: string }) => p.id
const audiences: Audience[] = ['word', 'others']

/** What each audience is left with, as it is printed for a person and as it leaves. */
function looked(email: Email, of: HouseStyle) {
  const prints = (['readable', 'compact'] as const).map((print) => compile(email, of, { src, print }))
  return audiences.map((audience) => {
    const [readable, compact] = prints.map((html) => seenBy(audience, html)) as [string, string]
    return {
      audience,
      faults: [...unbalanced(readable), ...unbalanced(compact)],
      readable: wordsOf(readable),
      compact: wordsOf(compact),
    }
  })
}

function whole(email: Email, of: HouseStyle): void {
  for (const { audience, faults, readable, compact } of looked(email, of)) {
    expect({ audience, faults }).toEqual({ audience, faults: [] })
    expect({ audience, words: compact }).toEqual({ audience, words: readable })
  }
}

// The Word engine once read an opening table within a comment: 28 were opened, 29 closed.
test('as each reader sees it every element is balanced, and the words are the same however it is printed', () => {
  fc.assert(
    fc.property(anyEmail, (email) => whole(composed(email), house)),
    { numRuns: samples(200) },
  )
})

test.each(starterLayouts.map((l) => [l.name, l] as const))('the layout %s', (_, layout) => {
  whole(starterEmail(layout, { house, width: 600, id: newId }), house)
})

test('emails of the tests, with bands for one width among others', () => {
  for (const email of [letter(), goods(), stories()]) whole(email, referenceHouse)
  const long = longEmail(6)
  for (const show of ['narrow', 'wide'] as const)
    whole({ ...long, bands: long.bands.map((b, i) => (i % 2 ? { ...b, show } : b)) }, house)
})
