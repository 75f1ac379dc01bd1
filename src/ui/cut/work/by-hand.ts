import { toast } from '../../parts/toast'
import { mergeCuts, moveCut, moveEdge, removeCut, setCut, splitEqually, type Side } from '@/core/cut/edits'
import {
  alignCuts,
  distributeCuts,
  duplicateCut,
  extendCut,
  fillUncovered,
  placeCut,
  reorderCut,
  unlocked,
  type Alignment,
} from '@/core/cut/arrange'
import { drawCut, partCut } from '@/core/cut/parting'
import { overlap, type Rect } from '@/core/cut/raster'
import type { Cut } from '@/core/cut/plan'
import type { CutWork } from './use-cut-work'

/** What is done to cuts by hand, each as one step that undo takes back. */
export function byHand(w: CutWork) {
  return { ...choosing(w), ...making(w), ...placing(w) }
}
export type ByHand = ReturnType<typeof byHand>

/** Going from cut to cut, and their order. */
function choosing({ order, current, select, change }: CutWork) {
  const near = (way: 1 | -1) => {
    const i = current ? order.findIndex((c) => c.id === current.id) : -1
    const next = order[Math.max(0, Math.min(order.length - 1, i + way))]
    if (next) select(next.id)
  }
  const reorderTo = (id: string, to: number, merge?: string) =>
    change(
      'change the order',
      (p) =>
        reorderCut(
          p,
          order.map((c) => c.id),
          id,
          to,
        ),
      merge,
    )
  /** @param by places in the reading order */
  const reorder = (by: number) =>
    current && reorderTo(current.id, order.indexOf(current) + by, `order-${current.id}`)
  return { near, reorder, reorderTo }
}

const partingOf = ({ openCutter }: CutWork, { ground, ...rect }: Cut) =>
  openCutter().ask({ kind: 'parting', rect, ground })

/** What adds cuts, takes them away or makes others of them. */
function making(w: CutWork) {
  const { plan, order, selected, setSelected, current, change, size, left } = w
  /** A new cut of a rectangle: those that lie there give way. */
  async function add(drawn: Rect) {
    const there = plan.cuts.filter((c) => overlap(c, drawn) && c.words)
    const lines = new Map(
      await Promise.all(there.map(async (c) => [c.id, (await partingOf(w, c)).lines] as const)),
    )
    const made = drawCut(plan, drawn, size, (id) => lines.get(id) ?? [])
    if (!made.id) {
      toast('There is no room for a cut here: locked cuts give no way.')
      return
    }
    change('add a cut', () => made.plan)
    setSelected([made.id])
  }
  const merge = () => {
    const i = current ? order.findIndex((c) => c.id === current.id) : -1
    const ids = selected.length > 1 ? selected : current && order[i + 1] ? [current.id, order[i + 1]!.id] : []
    if (ids.length < 2) return
    const merged = mergeCuts(plan, ids)
    change('merge cuts', () => merged)
    setSelected(merged.cuts.filter((c) => ids.includes(c.id)).map((c) => c.id))
  }
  const remove = () => {
    if (!selected.length) return
    change('remove a cut', (p) => unlocked(p, selected).reduce(removeCut, p))
    setSelected([])
  }
  /** At the gap between what stands in it; each part keeps its own words. */
  const split = async (way: 'across' | 'down') => {
    if (!current) return
    const { lines, [way]: at } = await partingOf(w, current)
    change('split a cut', (p) => partCut(p, current.id, way, at, lines))
  }
  const splitInto = (way: 'across' | 'down', parts: number) =>
    current && change('split into equal parts', (p) => splitEqually(p, current.id, way, parts))
  /** Cuts everything that was left out: as pictures, since something stands there. */
  const fill = () => {
    if (left.length)
      change('cut what was left out', (p) =>
        fillUncovered(
          p,
          left.map((rect) => ({ rect, kind: 'picture', ground: null })),
          size,
        ),
      )
  }
  const duplicate = () => {
    if (!current) return
    const made = duplicateCut(plan, current.id, size)
    if (!made.id) {
      toast('There is no room under this cut for a copy: cuts never overlap.')
      return
    }
    change('duplicate a cut', () => made.plan)
    setSelected([made.id])
  }
  return { add, merge, remove, split, splitInto, fill, duplicate }
}

/** Where cuts lie. */
function placing({ selected, current, change, size, openCutter }: CutWork) {
  const nudge = (dx: number, dy: number) =>
    selected.length &&
    change(
      selected.length > 1 ? 'move cuts' : 'move a cut',
      (p) =>
        unlocked(p, selected)
          .sort((a, b) => {
            const [ca, cb] = [a, b].map((id) => p.cuts.find((c) => c.id === id)!)
            return (cb!.y - ca!.y) * Math.sign(dy) + (cb!.x - ca!.x) * Math.sign(dx)
          })
          .reduce((q, id) => moveCut(q, id, dx, dy, size), p),
      `nudge-${selected.join()}`,
    )
  const edge = (side: Side, by: number) =>
    current &&
    !current.locked &&
    change(
      'move an edge',
      (p) => {
        const c = p.cuts.find((x) => x.id === current.id)!
        return moveEdge(
          p,
          c.id,
          side,
          (side === 'top' ? c.y : side === 'bottom' ? c.y + c.h : side === 'left' ? c.x : c.x + c.w) + by,
          size,
        )
      },
      `edge-${current.id}-${side}`,
    )
  const trim = () =>
    current &&
    void openCutter()
      .ask({ kind: 'trim', rect: current })
      .then((r) => change('trim to the content', (p) => placeCut(p, current.id, r, size)))
  const extend = () => current && change('extend to the neighbours', (p) => extendCut(p, current.id, size))
  const align = (by: Alignment) => change('align cuts', (p) => alignCuts(p, selected, by, size))
  const distribute = (way: 'across' | 'down') =>
    change('distribute cuts', (p) => distributeCuts(p, selected, way, size))
  const lock = () =>
    change(current?.locked ? 'unlock' : 'lock', (p) =>
      selected.reduce((q, id) => setCut(q, id, { locked: !current?.locked || undefined }), p),
    )
  return { nudge, edge, trim, extend, align, distribute, lock }
}
