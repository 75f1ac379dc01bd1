'use client'
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  Crop,
  Expand,
} from 'lucide-react'
import { placeCut } from '@/core/cut/arrange'
import { Group, IconButton, NumberField } from '../../parts/controls'
import { type CutGroup } from './cut-group'
import { type ByHand } from '../work/by-hand'
import { type CutWork } from '../work/use-cut-work'

const aligning = [
  ['left', AlignStartVertical],
  ['center', AlignCenterVertical],
  ['right', AlignEndVertical],
  ['top', AlignStartHorizontal],
  ['middle', AlignCenterHorizontal],
  ['bottom', AlignEndHorizontal],
] as const

/** Where the cut lies in the design. */
export function Place({ work: w, hand, cut }: CutGroup) {
  const { design } = w.job
  return (
    <Group title="Place in the design">
      <div className="grid grid-cols-2 gap-x-2 gap-y-1.5">
        {(
          [
            ['Left', 'x'],
            ['Top', 'y'],
            ['Width', 'w'],
            ['Height', 'h'],
          ] as const
        ).map(([label, k]) => (
          <div key={k} className="grid grid-cols-[34px_1fr] items-center gap-1 text-xs text-soft">
            {label}
            <NumberField
              label={`${label}, px`}
              value={cut[k]}
              max={k === 'x' || k === 'w' ? design.width : design.height}
              onChange={(v) =>
                w.change('place a cut', (p) => placeCut(p, cut.id, { ...cut, [k]: v }, w.size), `place-${k}`)
              }
            />
          </div>
        ))}
      </div>
      <p className="font-mono text-[11px] text-soft">
        {Number((cut.w / design.scale).toFixed(1))} x {Number((cut.h / design.scale).toFixed(1))} px shown
      </p>
      {w.selected.length > 1 ? <Aligning w={w} hand={hand} /> : <Fitting hand={hand} />}
    </Group>
  )
}

/** Several cuts against each other. */
function Aligning({ w, hand }: { w: CutWork; hand: ByHand }) {
  return (
    <span className="flex flex-wrap">
      {aligning.map(([by, Icon]) => (
        <IconButton key={by} label={`Align: ${by}`} onClick={() => hand.align(by)}>
          <Icon size={14} />
        </IconButton>
      ))}
      <IconButton
        label="Equal spaces across"
        disabled={w.selected.length < 3}
        onClick={() => hand.distribute('across')}
      >
        <AlignHorizontalSpaceBetween size={14} />
      </IconButton>
      <IconButton
        label="Equal spaces down"
        disabled={w.selected.length < 3}
        onClick={() => hand.distribute('down')}
      >
        <AlignVerticalSpaceBetween size={14} />
      </IconButton>
    </span>
  )
}

/** One cut against the design. */
function Fitting({ hand }: { hand: ByHand }) {
  return (
    <span className="flex flex-wrap">
      <IconButton label="Trim to the content" keys="T" onClick={hand.trim}>
        <Crop size={14} />
      </IconButton>
      <IconButton label="Extend to the neighbours" keys="E" onClick={hand.extend}>
        <Expand size={14} />
      </IconButton>
    </span>
  )
}
