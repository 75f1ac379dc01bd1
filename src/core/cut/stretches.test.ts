import { newBand } from '../email/defaults'
import type { Email } from '../email/schema'
import { sceneOf } from '@/test-support/scenes'
import { buildScene } from '@/test-support/built'
import { emptyPlan } from './plan'
import { narrowStretchesOf, stretchesOf } from './stretches'

test('bands reach from edge to edge around their cuts; without an edge to the middle; made by hand they have no place', () => {
  const cut = (id: string, y: number, h: number) => ({
    ...{ id, x: 0, y, w: 600, h, kind: 'picture' as const, alt: null, link: '', words: null, ground: null },
  })
  const plan = {
    ...emptyPlan(),
    cuts: [cut('a', 20, 80), cut('b', 140, 60), cut('c', 260, 40)],
    edges: [120],
  }
  const band = (id: string, cuts: string[]) => ({
    ...newBand(600),
    id,
    cells: [{ ...newBand(600).cells[0]!, items: cuts.map((c) => ({ kind: 'gap', id: `t${c}`, cut: c })) }],
  })
  const email = {
    bands: [band('A', ['a']), band('X', []), band('B', ['b']), band('C', ['c'])],
  } as unknown as Email
  expect([...stretchesOf(email, plan, 400)]).toEqual([
    ['A', { top: 0, height: 120 }],
    ['B', { top: 120, height: 110 }],
    ['C', { top: 230, height: 170 }],
  ])
})

test('what is cut but stands in no band any more parts those beside it', () => {
  const cut = (id: string, y: number, h: number) => ({
    ...{ id, x: 0, y, w: 600, h, kind: 'picture' as const, alt: null, link: '', words: null, ground: null },
  })
  const plan = { ...emptyPlan(), cuts: [cut('a', 0, 100), cut('gone', 100, 200), cut('b', 300, 50)] }
  const band = (id: string, of: string) => ({
    ...newBand(600),
    id,
    cells: [{ ...newBand(600).cells[0]!, items: [{ kind: 'gap', id: `t${of}`, cut: of }] }],
  })
  const email = { bands: [band('A', 'a'), band('B', 'b')] } as unknown as Email
  expect([...stretchesOf(email, plan, 400)]).toEqual([
    ['A', { top: 0, height: 100 }],
    ['B', { top: 300, height: 100 }],
  ])
})

test('on a drawn scene the stretches of all bands cover the design without a gap', async () => {
  const { email, plan, scene, scale } = await buildScene(sceneOf(1))
  const height = scene.height * scale
  const stretches = [...stretchesOf(email, plan, height).values()]
  expect(stretches).toHaveLength(email.bands.length)
  expect(stretches[0]!.top).toBe(0)
  stretches.slice(1).forEach((s, i) => expect(s.top).toBe(stretches[i]!.top + stretches[i]!.height))
  expect(stretches.at(-1)!.top + stretches.at(-1)!.height).toBe(height)
})

test('on a phone a band stands where the build found most of its cuts; one that was not found has no place', () => {
  const band = (id: string, cuts: string[]) => ({
    ...newBand(600),
    id,
    cells: [{ ...newBand(600).cells[0]!, items: cuts.map((c) => ({ kind: 'gap', id: `t${c}`, cut: c })) }],
  })
  const email = { bands: [band('A', ['a', 'b']), band('B', ['c']), band('X', ['x'])] } as unknown as Email
  const onNarrow = [
    { cuts: ['a'], top: 0, height: 90 },
    { cuts: ['b', 'gone'], top: 90, height: 60 },
    { cuts: ['c', 'd', 'e'], top: 150, height: 40 },
  ]
  expect([...narrowStretchesOf(email, { onNarrow })]).toEqual([['A', { top: 0, height: 150 }]])
  expect([...narrowStretchesOf(email, {})]).toEqual([])
})
