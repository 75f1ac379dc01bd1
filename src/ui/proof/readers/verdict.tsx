import { useMemo } from 'react'
import type { Forecast } from '@/core/readers/forecast'
import { verdictOf } from '@/core/readers/verdict'
import type { Share } from '@/core/readers/versions'

const percent = (part: number): string => `${Math.round(part * 100)} %`

/** How many of a client's people see the email as it was made, in words and as a bar; nothing where the client's shares are not known. */
export function VerdictLine({
  forecasts,
  shares,
}: {
  forecasts: ReadonlyMap<string, Forecast>
  shares: readonly Share[]
}) {
  const verdict = useMemo(() => verdictOf(forecasts, shares), [forecasts, shares])
  if (!shares.length || !forecasts.size) return null
  const { asMade, known, otherwise } = verdict
  const parts = [
    { part: asMade, look: 'bg-verdigris' },
    { part: known - asMade, look: 'bg-ochre' },
    { part: Math.max(0, 1 - known), look: 'bg-grout' },
  ]
  return (
    <div className="flex flex-col gap-1 text-[11.5px] leading-snug" data-verdict>
      <div aria-hidden className="flex h-2 gap-px">
        {parts.map(
          ({ part, look }) => part > 0 && <i key={look} className={look} style={{ flexGrow: part }} />,
        )}
      </div>
      <p>
        <b>{percent(asMade)}</b> of this client’s readers see it as it was made
        {otherwise.slice(0, 3).map(({ says, share }) => `; ${percent(share)}: ${says}`)}
        {known < 0.995 && `; of ${percent(1 - known)} nothing is known here`}.
      </p>
    </div>
  )
}
