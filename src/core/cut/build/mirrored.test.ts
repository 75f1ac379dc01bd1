import { buildScene } from '@/test-support/built'
import { sceneOf } from '@/test-support/scenes'
import type { Band, Row } from '../../email/schema'
import { plainHouseStyle } from '../../email/styles'
import { groundOf } from '../ground'
import { readInk } from '../ink'
import { emptyPlan, type CutPlan } from '../plan'
import type { Rect } from '../raster'
import { buildEmail } from './index'

/** What of a band is told by places: columns with their widths, spaces, and what stands in them in order. */
const shapeOf = (row: Pick<Row, 'cells'>): unknown =>
  row.cells.map((c) => ({
    width: Math.round(c.width / 4),
    align: c.align,
    items: c.items.map((i) => (i.kind === 'row' ? shapeOf(i) : [i.kind, 'align' in i ? i.align : null])),
  }))
const shapes = (bands: readonly Band[]) =>
  bands.map((b) => ({
    left: Math.round(b.padding.left / 4),
    right: Math.round(b.padding.right / 4),
    of: shapeOf(b),
  }))

// A design in a mirror, built from the right, is the design itself: what is left of it stands where lines begin (WAI-ARIA, CSS Writing Modes 4, 2.1: `direction`).
test.each([5, 11])(
  'scene %d in a mirror, read from the right, is built as it is read from the left',
  async (n) => {
    const scene = sceneOf(n)
    const built = await buildScene(scene)
    const flipped: CutPlan = {
      ...emptyPlan(),
      edges: built.plan.edges,
      cuts: built.plan.cuts.map((c) => ({
        ...c,
        x: built.raster.width - c.x - c.w,
        ...(c.ink ? { ink: undefined } : {}),
      })),
      panels: built.plan.panels.map((p) => ({ ...p, x: built.raster.width - p.x - p.w })),
    }
    const raster = built.raster
    /** @param seen where a place of the design lies in what is looked at: letters in a mirror are none, so that they are not turned */
    const of = (plan: CutPlan, code: string, seen: (r: Rect) => Rect) =>
      buildEmail({
        plan: { ...plan, language: { code, by: 'hand' } },
        size: raster,
        emailWidth: scene.width,
        pictures: new Map(),
        previous: null,
        house: plainHouseStyle(),
        groundOf: (r) => groundOf(raster, seen(r)),
        readInk: (r, g) => {
          const ink = readInk(raster, seen(r), g)
          return { ...ink, lines: ink.lines.map((l) => ({ ...l, x: seen(l).x })) }
        },
      }).email
    const plain = {
      ...built.plan,
      built: {},
      cuts: built.plan.cuts.map((c) => (c.ink ? { ...c, ink: undefined } : c)),
    }
    const left = of(plain, 'eng', (r) => r)
    const right = of(flipped, 'ara', (r) => ({ ...r, x: raster.width - r.x - r.w }))
    expect([left.dir, right.dir, right.lang]).toEqual(['ltr', 'rtl', 'ar'])
    expect(shapes(right.bands)).toEqual(shapes(left.bands))
    // Where things lie in the design is kept as they lie there.
    expect(right.bands.length).toBeGreaterThan(2)
  },
)
