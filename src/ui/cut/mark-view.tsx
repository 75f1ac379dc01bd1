'use client'
import { useEffect, useState } from 'react'
import type { Cut } from '@/core/cut/plan'
import { Button, cx } from '../parts/controls'
import type { CutWork } from './work/use-cut-work'

/**
 * A mark without its ground, on the grounds it may come to stand on; where it would vanish, a line around it
 * or its own ground is offered.
 */
export function MarkView({
  work: w,
  cut,
  onOutline,
  onFlat,
}: {
  work: CutWork
  cut: Cut
  onOutline: (color: string | undefined) => void
  onFlat: () => void
}) {
  const own = cut.ground ?? '#ffffff'
  const grounds = [
    ...new Set(['#ffffff', '#121212', own, ...w.job.client.house.colors.map((c) => c.value)]),
  ].slice(0, 6)
  const [mark, setMark] = useState<{ url: string; vanishing: number[]; seamless: boolean } | null>(null)
  const key = [cut.x, cut.y, cut.w, cut.h, own, grounds.join()].join()
  useEffect(() => {
    let url = '',
      late = false
    w.openCutter()
      .ask({ kind: 'mark', rect: cut, ground: own, on: grounds })
      .then(
        ({ png, ...rest }) => {
          if (late) return
          url = URL.createObjectURL(png)
          setMark({ url, ...rest })
        },
        () => {},
      )
    return () => {
      late = true
      if (url) URL.revokeObjectURL(url)
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  const file = w.figureOf(cut)
  const gone = mark ? grounds.filter((g, i) => g !== own && mark.vanishing[i]! > 0.4) : []
  const outline = cut.encoding?.outline
  return (
    <div className="flex flex-col gap-1">
      <div className="flex gap-px" role="group" aria-label="The mark on other grounds">
        {grounds.map((g) => (
          <span
            key={g}
            title={g}
            className={cx(
              'grid h-9 min-w-0 flex-1 place-items-center overflow-hidden border',
              gone.includes(g) ? 'border-terra' : 'border-grout',
            )}
            style={{ background: g }}
          >
            {mark && (
              <img
                alt={`The mark on ${g}`}
                src={outline && file ? `/api/pictures/${file.picture.id}` : mark.url}
                className="max-h-8 max-w-full object-contain"
              />
            )}
          </span>
        ))}
      </div>
      {gone.length > 0 && !outline && (
        <p className="text-[11.5px] leading-snug text-terra">
          It would vanish on {gone.join(' and ')}.{' '}
          <Button
            className="py-0!"
            onClick={() => onOutline(gone.includes('#121212') ? '#ffffff' : '#222222')}
          >
            Thin outline
          </Button>{' '}
          <Button className="py-0!" onClick={onFlat}>
            Keep its ground
          </Button>
        </p>
      )}
      {outline && (
        <p className="text-[11.5px]">
          Outlined in {outline}.{' '}
          <Button className="py-0!" onClick={() => onOutline(undefined)}>
            Without
          </Button>
        </p>
      )}
      {mark && !mark.seamless && (
        <p className="text-[11.5px] text-ochre">
          Its ground is not one flat colour: some of it stays in the mark.
        </p>
      )}
    </div>
  )
}
