'use client'
import { useMemo } from 'react'
import { compileMapped } from '@/core/compile'
import type { Edit } from '@/core/email/edits'
import type { Band, Email } from '@/core/email/schema'
import { partedIntoTwins, twinOf, withoutPair } from '@/core/email/twins'
import { src } from '../../bench/src'
import type { BenchJob } from '../../bench/types'
import { Button, kb } from '../../parts/controls'

/** What a band for one width alone costs every reader, and the press that parts a band into two such twins. */
export function TwinRow({
  email,
  job,
  band,
  apply,
}: {
  email: Email
  job: BenchJob
  band: Band
  apply: (label: string, edit: Edit) => void
}) {
  const { house } = job.client
  const bytes = useMemo(() => {
    if (band.show === 'all') return 0
    const { bands } = compileMapped({ ...email, bands: [band] }, house, { src, print: 'compact' }).parts()
    return new TextEncoder().encode(bands[0]?.html ?? '').length
  }, [email, band, house])
  const replace = (label: string, now: Email) => apply(label, { name: 'replace', what: { email: now } })
  const twin = twinOf(email, band)
  if (band.show !== 'all')
    return (
      <div className="text-[11px] text-soft">
        <p>
          Seen on {band.show} alone; its {kb(bytes)} of HTML are in every email.
          {twin && ` What it says, ${twin.name} says too.`}
        </p>
        {twin && (
          <Button
            className="mt-1"
            onClick={() => replace('let the twins differ', withoutPair(email, band.twin!))}
          >
            Let them differ
          </Button>
        )}
      </div>
    )
  return (
    <Button
      className="self-start"
      title="This band for wide, and a copy of it for narrow: both are in every email"
      onClick={() => replace('part into twins', partedIntoTwins(email, band.id))}
    >
      Part into twins
    </Button>
  )
}
