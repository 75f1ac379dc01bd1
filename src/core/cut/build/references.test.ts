import { compile } from '@/core/compile'
import { buildScene } from '@/test-support/built'
import { byHand, saidIn } from '@/test-support/by-hand'
import { FACE } from '@/test-support/scenes'
import { studioDesigns } from '@/test-support/studio'

/*
 * What the first build of three designs comes to, against what a person wrote for the same designs with the same support
 * (fixtures/references/built): as much is said, in hardly more bytes. Laid over each other in Chromium when they were written.
 */
// Written by hand for the faces that these designs have.
const each = FACE ? test.skip.each : test.each
each(['schedule', 'shop', 'long letter'])('%s: little more than by hand, and all of it', async (name) => {
  const { email, house } = await buildScene(studioDesigns().find((d) => d.name === name)!)
  let pictures = 0
  const ours = compile(email, house, { src: () => `p${pictures++}.png`, print: 'compact' })
  const hand = byHand(`built/${name.replace(' ', '-')}`)
  expect(saidIn(ours)).toEqual(saidIn(hand))
  expect(Buffer.byteLength(ours) / Buffer.byteLength(hand)).toBeLessThan(1.3)
  const tables = (html: string) => html.match(/<table/g)!.length
  expect(tables(ours)).toBeLessThanOrEqual(tables(hand) + email.bands.length)
})
