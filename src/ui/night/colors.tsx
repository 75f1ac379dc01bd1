'use client'
import { behaviourIds, behaviours } from '@/core/night/behaviours'
import type { EmailColor } from '@/core/night/colors'
import { cx } from '../parts/controls'

const placesOf = (n: number): string => (n === 1 ? '1 place' : `${n} places`)

/** The email's colours, the largest first: each as one swatch that runs from its day into its nights. */
export function ColorList({
  colors,
  chosen,
  onChoose,
  onPoint,
}: {
  colors: readonly EmailColor[]
  chosen: string | null
  onChoose: (color: string) => void
  onPoint: (color: string | null) => void
}) {
  return (
    <aside aria-label="Colours" className="flex min-h-0 flex-col border-r border-grout bg-plaster">
      <p className="flex border-b border-grout px-2.5 py-1 text-[10.5px] text-soft">
        <span className="w-2/6">day</span>
        <span>
          into its nights: {behaviourIds.map((id) => behaviours[id].label.toLowerCase()).join(', ')}
        </span>
      </p>
      <ol className="min-h-0 flex-1 overflow-y-auto" onPointerLeave={() => onPoint(null)}>
        {colors.map((c) => (
          <li key={c.color}>
            <button
              type="button"
              aria-pressed={c.color === chosen}
              aria-label={`${c.color}, ${placesOf(c.uses.length)}${c.worst < 1 ? ', too little contrast' : ''}`}
              className={cx(
                'block w-full border-b border-grout px-2.5 py-1.5 text-left',
                c.color === chosen ? 'bg-wash' : 'hover:bg-paper',
              )}
              onClick={() => onChoose(c.color)}
              onPointerEnter={() => onPoint(c.color)}
              onFocus={() => onPoint(c.color)}
              onBlur={() => onPoint(null)}
            >
              <span className="flex h-6 border border-grout">
                <i className="w-2/6" style={{ background: c.color }} />
                {behaviourIds.map((id) => (
                  <i key={id} className="flex-1" style={{ background: c.at[id] }} />
                ))}
              </span>
              <span className="mt-0.5 flex justify-between font-mono text-[10.5px] text-soft">
                <span>{c.color}</span>
                <span>{placesOf(c.uses.length)}</span>
                <span className={c.worst < 1 ? 'text-terra' : 'text-verdigris'}>
                  {c.least === null ? 'ground' : `${(Math.floor(c.least * 10) / 10).toFixed(1)}:1`}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </aside>
  )
}
