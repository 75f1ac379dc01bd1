'use client'
import { useEffect, useState } from 'react'
import type { Cut } from '@/core/cut/plan'
import { Button, cx } from '../parts/controls'
import type { CutWork } from './work/use-cut-work'

/** A mark without its ground: its picture, and how much of it would not be seen on each ground, 0 to 1. */
type Freed = { url: string; vanishing: number[]; seamless: boolean }

/** Frees a mark from its ground. @param own its ground @param on the grounds to look at it on */
function useFreed({ openCutter }: CutWork, cut: Cut, own: string, on: string[]): Freed | null {
  const [mark, setMark] = useState<Freed | null>(null)
  const key = [cut.x, cut.y, cut.w, cut.h, own, on.join()].join()
  useEffect(() => {
    let url = ''
    let late = false
    openCutter()
      .ask({ kind: 'mark', rect: cut, ground: own, on })
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
    // A mark is the same as long as its place and the grounds are.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [openCutter, key])
  return mark
}

/** More of a mark than this must be lost in a ground for it to count as vanished there, as a share. */
const VANISHED = 0.4

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
  const mark = useFreed(w, cut, own, grounds)
  const file = w.figureOf(cut)
  const gone = mark ? grounds.filter((g, i) => g !== own && mark.vanishing[i]! > VANISHED) : []
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
      <Mends gone={gone} outline={outline} onOutline={onOutline} onFlat={onFlat} />
      {mark && !mark.seamless && (
        <p className="text-[11.5px] text-ochre">
          Its ground is not one flat colour: some of it stays in the mark.
        </p>
      )}
    </div>
  )
}

/** What can be done about grounds on which the mark would vanish. */
function Mends({
  gone,
  outline,
  onOutline,
  onFlat,
}: {
  gone: string[]
  outline: string | undefined
  onOutline: (color: string | undefined) => void
  onFlat: () => void
}) {
  if (outline)
    return (
      <p className="text-[11.5px]">
        Outlined in {outline}.{' '}
        <Button className="py-0!" onClick={() => onOutline(undefined)}>
          Without
        </Button>
      </p>
    )
  if (!gone.length) return null
  return (
    <p className="text-[11.5px] leading-snug text-terra">
      It would vanish on {gone.join(' and ')}.{' '}
      <Button className="py-0!" onClick={() => onOutline(gone.includes('#121212') ? '#ffffff' : '#222222')}>
        Thin outline
      </Button>{' '}
      <Button className="py-0!" onClick={onFlat}>
        Keep its ground
      </Button>
    </p>
  )
}
