import { rasterOf, testDesigns } from '@/test-support/designs'
import { autocut } from './autocut'

/**
 * The designs are drawn by code, so the true edges are known (src/test-support/designs.ts says how they were chosen). Asked for: every true edge
 * found within 2 px, at most one false edge in ten.
 */
describe.each([['PNG', {}], ['JPEG, quality 85', { jpeg: 85 }], ['PNG at half size', { scale: 0.5 }]] as const)('autocut on %s', (_, options) => {
  test.each(testDesigns().map((d) => [d.name, d] as const))('finds the bands of: %s', async (_name, design) => {
    const scale = 'scale' in options ? options.scale : 1
    const raster = await rasterOf(design, options)
    const found = autocut(raster, 2 * scale).edges
    const truth = design.edges.map((e) => e * scale)
    const missed = truth.filter((t) => !found.some((f) => Math.abs(f.y - t) <= 2))
    const wrong = found.filter((f) => !truth.some((t) => Math.abs(f.y - t) <= 2))
    expect({ missed, tooManyFalse: wrong.length * 10 > found.length ? wrong : [] }).toEqual({ missed: [], tooManyFalse: [] })
  })
})

test('cuts cover the whole design, touch, and never overlap', async () => {
  for (const design of testDesigns()) {
    const { cuts } = autocut(await rasterOf(design), 2)
    let y = 0
    for (const c of cuts) { expect([c.x, c.y, c.w]).toEqual([0, y, design.width]); y += c.h }
    expect(y).toBe(design.height)
  }
})

test('proposes what each band becomes', async () => {
  const flat = autocut(await rasterOf(testDesigns()[0]!), 2).cuts
  expect(flat.map((c) => c.kind)).toEqual(['words', 'words', 'words', 'words', 'flat', 'words'])
  expect(flat.map((c) => c.ground)).toEqual(['#f4efe6', '#1d3557', '#ffffff', '#fbf8f2', '#e3b23c', '#222831'])
  const photos = autocut(await rasterOf(testDesigns()[3]!), 2).cuts
  expect(photos.map((c) => c.kind)).toEqual(['picture', 'picture', 'picture', 'words', 'picture'])
})
