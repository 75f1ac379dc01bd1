import { starterBands } from '@/core/starters'
import { kinds } from '@/core/tiles/kinds'
import { answering } from './trade-words'

/* Words that people of the trade type first, and an action that each of them must bring (common practice, no source). */
const tiles = Object.keys(kinds).map((kind) => ({ id: `add-${kind}`, label: `Add ${kind}`, group: 'Add' }))
const stages = ['Cut', 'Compose', 'Motion', 'Night', 'Interact', 'Proof', 'Hand over'].map((label) => ({
  id: `stage-${label.toLowerCase().replace(' ', '')}`,
  label: `Go to ${label}`,
  group: 'Stages',
}))
const others = [
  'tracking',
  'links',
  'pictures',
  'approval',
  'fit',
  'find',
  'add-row',
  'add-band',
  'deliver',
  'new',
  'wall',
].map((id) => ({ id, label: id, group: 'App' }))
const bands = starterBands.map((b) => ({ id: `starter-${b.id}`, label: b.name, group: b.group }))
const all = [...tiles, ...stages, ...others, ...bands]

test.each<[string, string]>([
  ['dark mode', 'stage-night'],
  ['darkmode', 'stage-night'],
  ['invert', 'stage-night'],
  ['AMP', 'stage-interact'],
  ['interactive', 'stage-interact'],
  ['kinetic', 'stage-interact'],
  ['GIF', 'stage-motion'],
  ['animated', 'stage-motion'],
  ['video', 'stage-motion'],
  ['countdown', 'stage-motion'],
  ['timer', 'stage-motion'],
  ['slice', 'stage-cut'],
  ['slicing', 'stage-cut'],
  ['mockup', 'stage-cut'],
  ['psd', 'stage-cut'],
  ['responsive', 'stage-compose'],
  ['mobile', 'stage-compose'],
  ['preview', 'stage-proof'],
  ['spam', 'stage-proof'],
  ['accessibility', 'stage-proof'],
  ['validate', 'stage-proof'],
  ['qa', 'stage-proof'],
  ['export', 'stage-handover'],
  ['download', 'stage-handover'],
  ['zip', 'stage-handover'],
  ['ESP', 'stage-handover'],
  ['publish', 'deliver'],
  ['slider', 'add-carousel'],
  ['slideshow', 'add-carousel'],
  ['carousel', 'add-carousel'],
  ['gallery', 'add-carousel'],
  ['accordion', 'add-panels'],
  ['tabs', 'add-panels'],
  ['FAQ', 'add-panels'],
  ['hamburger', 'add-panels'],
  ['survey', 'add-form'],
  ['poll', 'add-form'],
  ['questionnaire', 'add-form'],
  ['NPS', 'add-rating'],
  ['feedback', 'add-rating'],
  ['hotspot', 'add-spots'],
  ['image map', 'add-spots'],
  ['hover', 'add-swap'],
  ['rollover', 'add-swap'],
  ['scratch', 'add-swap'],
  ['spacer', 'add-gap'],
  ['whitespace', 'add-gap'],
  ['hr', 'add-divider'],
  ['separator', 'add-divider'],
  ['CTA', 'add-button'],
  ['call to action', 'add-button'],
  ['VML', 'add-button'],
  ['bulletproof', 'add-button'],
  ['text', 'add-words'],
  ['headline', 'add-words'],
  ['paragraph', 'add-words'],
  ['image', 'add-picture'],
  ['logo', 'add-picture'],
  ['banner', 'add-picture'],
  ['navigation', 'add-menu'],
  ['nav', 'add-menu'],
  ['social', 'add-social'],
  ['icons', 'add-marks'],
  ['testimonial', 'add-review'],
  ['unsubscribe', 'add-footer'],
  ['HTML', 'add-code'],
  ['custom', 'add-code'],
  ['Outlook', 'add-conditional'],
  ['MSO', 'add-conditional'],
  ['columns', 'add-row'],
  ['section', 'add-band'],
  ['block', 'add-band'],
  ['UTM', 'tracking'],
  ['urls', 'links'],
  ['alt text', 'pictures'],
  ['compress', 'fit'],
  ['sign-off', 'approval'],
  ['client review', 'approval'],
  ['dashboard', 'wall'],
  ['template', 'new'],
  ['replace', 'find'],
  ['price', 'add-table'],
  ['dynamic', 'add-live'],
  ['trivia', 'add-quiz'],
  ['variants', 'add-swatches'],
])('%s brings %s', (asked, id) => {
  expect(all.map((a) => a.id)).toContain(id)
  const found = all.filter((a) => answering(a, asked) > 0).map((a) => a.id)
  expect(found).toContain(id)
  // Not everything: what is asked for is still seen.
  expect(found.length).toBeLessThan(all.length / 2)
})

test.each(['hero', 'product', 'event', 'testimonial', 'coupon', 'header', 'footer'])(
  'a band to begin from goes by "%s"',
  (asked) => {
    expect(bands.filter((b) => answering(b, asked) > 0).length).toBeGreaterThan(0)
  },
)

test('an own word counts for more than one of the trade', () => {
  const table = { id: 'add-table', label: 'Add table', group: 'Add' }
  expect(answering(table, 'table')).toBe(1)
  expect(answering(table, 'price')).toBe(0.5)
  expect(answering(table, 'slider')).toBe(0)
})
