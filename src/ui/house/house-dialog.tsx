'use client'
import Link from 'next/link'
import type { HouseStyle } from '@/core/email/styles'
import type { BenchJob } from '../bench/types'
import { Button } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import { HouseFields } from './fields'
import { Sample } from './sample'
import { useHouse } from './use-house'

/** The client's house style at the bench: every email that inherits from it follows, and it says how many. */
export function HouseStyleDialog({
  job,
  onSaved,
  onClose,
}: {
  job: BenchJob
  onSaved: (house: HouseStyle) => void
  onClose: () => void
}) {
  const { house, set, save, busy, problem } = useHouse(job.client)
  const keep = async () => {
    const kept = await save()
    if (!kept) return
    onSaved(kept)
    onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={`House style of ${job.client.name}`}
      about="What every email of this client starts from. A value that an email or a tile has of its own stays."
      widest
    >
      <div className="grid grid-cols-[minmax(0,1fr)_280px] items-start gap-6">
        <HouseFields house={house} set={set} name={job.client.name} />
        <div className="sticky top-0 max-h-[56vh] overflow-hidden border border-grout">
          <Sample house={house} shown={[{ name: 'Wide', width: 278 }]} />
        </div>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-terra">
          {problem}
        </p>
      )}
      <div className="mt-3 flex items-center gap-2">
        <Button look="main" disabled={busy} onClick={() => void keep()}>
          Save the house style
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        <Link className="ml-auto text-lapis underline" href={`/clients/${job.client.id}`} target="_blank">
          On a page of its own
        </Link>
      </div>
    </Dialog>
  )
}
