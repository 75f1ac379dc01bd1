'use client'
import { useEffect, useState } from 'react'
import { toast } from '../../parts/toast'
import { copiesOf, withPart } from '@/core/email/kept'
import type { Edit } from '@/core/email/edits'
import type { Band, Email } from '@/core/email/schema'
import { call } from '../../api'
import type { BenchJob } from '../../bench/types'
import { Button } from '../../parts/controls'
import type { KeptEmail } from '../../starters/use-kept'

interface Props {
  email: Email
  job: BenchJob
  band: Band
  apply: (label: string, edit: Edit, merge?: string) => void
}

/** What a band is tied to, and what can be done about it. */
function useTied({ email, job, band, apply }: Props) {
  const { part, at } = band.kept!
  const params = { client: job.client.id, kept: part }
  const [kept, setKept] = useState<KeptEmail | null | 'gone'>(null)
  useEffect(() => {
    call('GET /api/clients/:client/kept/:kept', { params: { client: job.client.id, kept: part } }).then(
      setKept,
      () => setKept('gone'),
    )
  }, [job.client.id, part])
  const free = () =>
    apply('free the band', { name: 'setBand', what: { id: band.id, set: { kept: undefined } } })
  const others = kept && kept !== 'gone' ? kept.usedIn.filter((u) => u.job !== job.id) : []
  async function spread(of: KeptEmail) {
    const bands = of.email.bands.map((b, i) => (i === at ? copiesOf([band])[0]! : b))
    try {
      const { changed, ...now } = await call('PUT /api/clients/:client/kept/:kept', {
        params,
        body: { email: { ...of.email, bands }, jobs: others.map((o) => o.job) },
      })
      const here = withPart(email, part, bands)
      // The band itself is what the others follow.
      apply('change what is tied', {
        name: 'replace',
        what: { email: { ...here, bands: here.bands.map((b) => (b.id === band.id ? band : b)) } },
      })
      setKept({ ...now, email: { ...of.email, bands } })
      toast(
        changed.length
          ? `Changed along: ${others
              .filter((o) => changed.includes(o.job))
              .map((o) => o.name)
              .join(', ')}`
          : 'The shelf has it as it is here',
      )
    } catch (e) {
      toast.error((e as Error).message)
    }
  }
  return { kept, others, spread, free }
}

/** What a band is tied to, where else that is used, and the press that has the others follow. */
export function TiedRow(p: Props) {
  const { kept, others, spread, free } = useTied(p)
  if (!kept) return null
  if (kept === 'gone')
    return (
      <p className="text-xs text-soft">
        Tied to what is kept no longer. <Button onClick={free}>Free it</Button>
      </p>
    )
  return (
    <div className="border-l-[3px] border-lapis pl-2 text-xs">
      <p>
        Tied to <b className="font-semibold">{kept.name}</b>
        <span className="block text-soft">
          {others.length ? `also in ${others.map((o) => o.name).join(', ')}` : 'in no other email'}
        </span>
      </p>
      <span className="mt-1 flex gap-1">
        <Button onClick={() => void spread(kept)}>
          {others.length ? `Change the other ${others.length}` : 'Keep it so'}
        </Button>
        <Button onClick={free}>Free it</Button>
      </span>
    </div>
  )
}
