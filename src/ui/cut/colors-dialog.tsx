'use client'
import { useEffect, useState } from 'react'
import { toast } from '../parts/toast'
import type { PaletteColor } from '@/core/cut/palette'
import type { Rect } from '@/core/cut/raster'
import { setCut } from '@/core/cut/edits'
import type { HouseStyle } from '@/core/email/styles'
import { ApiProblem, call } from '../api'
import type { BenchJob } from '../bench/types'
import { Button, Choice, cx } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { CutWork } from './work/use-cut-work'

/** The colours of a part of the design; null while they are counted. */
function usePalette(w: CutWork, rect: Rect | null): PaletteColor[] | null {
  const [palette, setPalette] = useState<PaletteColor[] | null>(null)
  const { openCutter } = w
  const key = rect && [rect.x, rect.y, rect.w, rect.h].join()
  useEffect(() => {
    setPalette(null)
    openCutter()
      .ask({ kind: 'palette', rect: rect && { x: rect.x, y: rect.y, w: rect.w, h: rect.h } })
      .then(setPalette, () => setPalette([]))
    // A rectangle is the same as long as its place is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [openCutter, key])
  return palette
}

/** Keeps a colour with those of the client. */
async function keepColor(color: string, job: BenchJob, onJob: (j: BenchJob) => void): Promise<void> {
  const { id, name, house } = job.client
  const next: HouseStyle = { ...house, colors: [...house.colors, { name: color, value: color }].slice(0, 40) }
  try {
    const kept = await call('PATCH /api/clients/:client', { params: { client: id }, body: { house: next } })
    onJob({ ...job, client: { ...job.client, house: kept.house } })
    toast(`${color} is among the colours of ${name}.`)
  } catch (e) {
    toast.error(e instanceof ApiProblem ? e.title : String(e))
  }
}

/**
 * The colours of the design, or of the selected cut, by how much they cover, each exactly as it stands there.
 */
export function ColorsDialog({
  work: w,
  onJob,
  onClose,
}: {
  work: CutWork
  onJob: (j: BenchJob) => void
  onClose: () => void
}) {
  const [of, setOf] = useState<'design' | 'cut'>('design')
  const palette = usePalette(w, of === 'cut' ? w.current : null)
  const { current } = w
  return (
    <Dialog
      open
      onClose={onClose}
      title="Colours of the design"
      about="By the area they cover, each exactly as it stands there. The key I picks a single pixel."
    >
      <div className="flex flex-col gap-2 text-xs">
        {current && (
          <Choice
            label="Colours of"
            value={of}
            options={[
              { value: 'design', label: 'the whole design' },
              { value: 'cut', label: 'the selected cut' },
            ]}
            onChange={setOf}
          />
        )}
        {!palette && <p className="text-soft">Counting…</p>}
        <ul className="flex flex-col gap-px">
          {palette?.map((c) => (
            <ColorRow
              key={c.color}
              {...c}
              known={w.job.client.house.colors.find((known) => known.value === c.color)?.name}
              onGround={
                current
                  ? () => w.change('set the ground colour', (q) => setCut(q, current.id, { ground: c.color }))
                  : undefined
              }
              onKeep={() => void keepColor(c.color, w.job, onJob)}
            />
          ))}
        </ul>
      </div>
    </Dialog>
  )
}

/** A colour, how much it covers, and what can be done with it. @param known its name among the client's colours */
function ColorRow({
  color,
  share,
  known,
  onGround,
  onKeep,
}: PaletteColor & { known: string | undefined; onGround: (() => void) | undefined; onKeep: () => void }) {
  const copy = () => {
    void navigator.clipboard?.writeText(color).catch(() => {})
    toast(`${color} is on the clipboard.`)
  }
  return (
    <li className="grid grid-cols-[28px_74px_1fr_54px_auto] items-center gap-2">
      <i aria-hidden className="h-6 border border-grout" style={{ background: color }} />
      <button type="button" className="text-left font-mono" title="Copy" onClick={copy}>
        {color}
      </button>
      <i aria-hidden className="h-2 bg-lapis/70" style={{ width: `${Math.max(1, share * 100)}%` }} />
      <span className="text-right font-mono text-soft">{(share * 100).toFixed(share < 0.1 ? 1 : 0)} %</span>
      <span className="flex gap-1">
        {onGround && (
          <Button className="py-0!" onClick={onGround}>
            Ground
          </Button>
        )}
        <Button className={cx('py-0!', known && 'opacity-60')} disabled={!!known} onClick={onKeep}>
          {known ?? 'Keep'}
        </Button>
      </span>
    </li>
  )
}
