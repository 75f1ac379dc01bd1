'use client'
import { useState } from 'react'
import { toast } from '../parts/toast'
import { copiesOf } from '@/core/email/kept'
import type { Band, Email } from '@/core/email/schema'
import { call } from '../api'
import type { BenchJob } from '../bench/types'
import { Button, Choice, fieldClass } from '../parts/controls'
import { Dialog } from '../parts/dialog'

interface Props {
  job: BenchJob
  email: Email
  bands: readonly Band[]
  onClose: () => void
  /** Told what they are kept as. */
  onKept: (part: string) => void
}

/** What is kept, and under which name. */
function useKeeping({ job, email, bands, onClose, onKept }: Props) {
  const [name, setName] = useState(bands[0]?.name ?? 'Band')
  const [whole, setWhole] = useState<'bands' | 'email'>('bands')
  const [problem, setProblem] = useState<string | null>(null)
  async function keep() {
    const kept = whole === 'email' ? email : { ...email, bands: copiesOf(bands) }
    try {
      const { id } = await call('POST /api/clients/:client/kept', {
        params: { client: job.client.id },
        body: { name: name.trim(), whole: whole === 'email', email: kept },
      })
      if (whole === 'bands') onKept(id)
      toast(`${name.trim()} is kept for ${job.client.name}`)
      onClose()
    } catch (e) {
      setProblem((e as Error).message)
    }
  }
  return { name, setName, whole, setWhole, problem, keep }
}

/** Keeps bands, or the email, for the client. */
export function KeepDialog(p: Props) {
  const { job, bands, onClose } = p
  const { name, setName, whole, setWhole, problem, keep } = useKeeping(p)
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Keep it for ${job.client.name}`}
      about="It stands on the client's shelf, for this email and others. What is kept of a band stays tied to it: changes can go to all."
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault()
          void keep()
        }}
      >
        <Choice
          label="What is kept"
          value={whole}
          options={[
            { value: 'bands', label: bands.length > 1 ? `these ${bands.length} bands` : 'this band' },
            { value: 'email', label: 'the whole email' },
          ]}
          onChange={setWhole}
        />
        <label className="block">
          <span className="mb-1 block text-soft">Name</span>
          <input
            className={fieldClass}
            required
            maxLength={120}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        {problem && <p role="alert">{problem}</p>}
        <div>
          <Button look="main" type="submit">
            Keep
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
