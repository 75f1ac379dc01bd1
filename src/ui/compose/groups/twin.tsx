'use client'
import { useMemo } from 'react'
import { compileMapped } from '@/core/compile'
import type { Edit } from '@/core/email/edits'
import { copiesOf } from '@/core/email/kept'
import type { Band, Email } from '@/core/email/schema'
import { src } from '../../bench/email-work'
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
  const part = () => {
    const at = email.bands.findIndex((b) => b.id === band.id)
    const [copy] = copiesOf([band])
    const twins: Band[] = [
      { ...band, show: 'wide' },
      { ...copy!, name: `${band.name} (narrow)`.slice(0, 80), show: 'narrow' },
    ]
    const what = { email: { ...email, bands: email.bands.toSpliced(at, 1, ...twins) } }
    apply('part into twins', { name: 'replace', what })
  }
  if (band.show !== 'all')
    return (
      <p className="text-[11px] text-soft">
        Seen on {band.show} alone; its {kb(bytes)} of HTML are in every email.
      </p>
    )
  return (
    <Button
      className="self-start"
      title="This band for wide, and a copy of it for narrow: both are in every email"
      onClick={part}
    >
      Part into twins
    </Button>
  )
}
