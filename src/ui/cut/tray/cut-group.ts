import type { Cut } from '@/core/cut/plan'
import { setCut } from '@/core/cut/edits'
import type { ByHand } from '../work/by-hand'
import type { CutWork } from '../work/use-cut-work'

/** What the groups of the tray work on: the selected cut. */
export interface CutGroup {
  work: CutWork
  hand: ByHand
  cut: Cut
}

/** Sets something of every selected cut of this kind at once. */
export const together = (
  w: CutWork,
  kind: Cut['kind'],
  label: string,
  set: (c: Cut) => Partial<Cut>,
  merge?: string,
) =>
  w.change(
    label,
    (p) =>
      w.selected.reduce((q, id) => {
        const c = q.cuts.find((x) => x.id === id)
        return c && c.kind === kind ? setCut(q, id, set(c)) : q
      }, p),
    merge,
  )
