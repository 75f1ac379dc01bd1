'use client'
import { Copy, Lock, LockOpen } from 'lucide-react'
import { setCut } from '@/core/cut/edits'
import { cutKinds } from '@/core/cut/plan'
import { Button, cx, Group, IconButton } from '../../parts/controls'
import { kindNames, partNames } from '../kinds'
import { type CutGroup } from './cut-group'

/** What the cut becomes, and what was seen in it. */
export function Becomes({ work: w, hand, cut }: CutGroup) {
  return (
    <Group title="Becomes">
      <div
        role="radiogroup"
        aria-label="What the cut becomes"
        className="grid grid-cols-3 gap-px border border-grout bg-grout"
      >
        {cutKinds.map((k, i) => (
          <button
            key={k}
            type="button"
            role="radio"
            aria-checked={cut.kind === k}
            title={`${kindNames[k]} (${i + 1})`}
            className={cx(
              'min-h-6 px-1 text-[11px]',
              cut.kind === k ? 'bg-lapis text-onlapis' : 'bg-sheet text-ink',
            )}
            onClick={() => void w.become(w.selected, k)}
          >
            {k === 'flat' ? 'Flat' : kindNames[k]}
          </button>
        ))}
      </div>
      {cut.seen && (
        <p className="text-[11.5px] leading-snug text-soft">
          Taken for {partNames[cut.seen.part]},{' '}
          <span className="font-mono">{Math.round(cut.seen.sure * 100)} %</span> sure.
        </p>
      )}
      {cut.since && (
        <p className="text-[11.5px] text-terra">
          {cut.since === 'moved' ? 'It moved in the new design.' : 'It changed in the new design.'}{' '}
          <Button
            className="py-0!"
            onClick={() => w.change('look it over', (p) => setCut(p, cut.id, { since: undefined }))}
          >
            Looked over
          </Button>
        </p>
      )}
      <span className="flex">
        <IconButton
          label={cut.locked ? 'Unlock' : 'Lock: neither moved nor found anew'}
          keys="L"
          active={!!cut.locked}
          onClick={hand.lock}
        >
          {cut.locked ? <Lock size={14} /> : <LockOpen size={14} />}
        </IconButton>
        <IconButton label="Duplicate" keys="Ctrl D" onClick={hand.duplicate}>
          <Copy size={14} />
        </IconButton>
      </span>
    </Group>
  )
}
