'use client'
import { useEffect, useState } from 'react'
import { toast } from 'sonner'
import type { PaletteColor } from '@/core/cut/palette'
import { setCut } from '@/core/cut/edits'
import type { HouseStyle } from '@/core/email/styles'
import { ApiProblem, call } from '../api'
import type { BenchJob } from '../bench/types'
import { Button, Choice, cx } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { CutWork } from './work/use-cut-work'

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
  const [palette, setPalette] = useState<PaletteColor[] | null>(null)
  const rect = of === 'cut' && w.current ? w.current : null
  useEffect(() => {
    setPalette(null)
    w.openCutter()
      .ask({ kind: 'palette', rect: rect && { x: rect.x, y: rect.y, w: rect.w, h: rect.h } })
      .then(setPalette, () => setPalette([]))
  }, [of]) // eslint-disable-line react-hooks/exhaustive-deps
  const { house } = w.job.client
  async function keep(color: string) {
    const next: HouseStyle = {
      ...house,
      colors: [...house.colors, { name: color, value: color }].slice(0, 40),
    }
    try {
      const c = await call('PATCH /api/clients/:client', {
        params: { client: w.job.client.id },
        body: { house: next },
      })
      onJob({ ...w.job, client: { ...w.job.client, house: c.house } })
      toast(`${color} is among the colours of ${w.job.client.name}.`)
    } catch (e) {
      toast.error(e instanceof ApiProblem ? e.title : String(e))
    }
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Colours of the design"
      about="By the area they cover, each exactly as it stands there. The key I picks a single pixel."
    >
      <div className="flex flex-col gap-2 text-xs">
        {w.current && (
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
          {palette?.map((p) => {
            const known = house.colors.find((c) => c.value === p.color)
            return (
              <li key={p.color} className="grid grid-cols-[28px_74px_1fr_54px_auto] items-center gap-2">
                <i aria-hidden className="h-6 border border-grout" style={{ background: p.color }} />
                <button
                  type="button"
                  className="text-left font-mono"
                  title="Copy"
                  onClick={() => {
                    void navigator.clipboard?.writeText(p.color).catch(() => {})
                    toast(`${p.color} is on the clipboard.`)
                  }}
                >
                  {p.color}
                </button>
                <i
                  aria-hidden
                  className="h-2 bg-lapis/70"
                  style={{ width: `${Math.max(1, p.share * 100)}%` }}
                />
                <span className="text-right font-mono text-soft">
                  {(p.share * 100).toFixed(p.share < 0.1 ? 1 : 0)} %
                </span>
                <span className="flex gap-1">
                  {w.current && (
                    <Button
                      className="py-0!"
                      onClick={() =>
                        w.change('set the ground colour', (q) =>
                          setCut(q, w.current!.id, { ground: p.color }),
                        )
                      }
                    >
                      Ground
                    </Button>
                  )}
                  <Button
                    className={cx('py-0!', known && 'opacity-60')}
                    disabled={!!known}
                    onClick={() => void keep(p.color)}
                  >
                    {known ? known.name : 'Keep'}
                  </Button>
                </span>
              </li>
            )
          })}
        </ul>
      </div>
    </Dialog>
  )
}
