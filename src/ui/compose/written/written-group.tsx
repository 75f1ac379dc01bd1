'use client'
import dynamic from 'next/dynamic'
import { useCallback, useState } from 'react'
import { toast } from '../../parts/toast'
import type { Edit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import { compile } from '@/core/compile'
import { namePictures } from '@/core/handover/names'
import { call } from '../../api'
import type { BenchJob } from '../../bench/types'
import { Button, Choice, Group } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { broughtIn } from './brought-in'
import type { Imported } from './import-dialog'

const ImportDialog = dynamic(() => import('./import-dialog').then((m) => m.ImportDialog), { ssr: false })
const VersionsDialog = dynamic(() => import('./versions-dialog').then((m) => m.VersionsDialog), {
  ssr: false,
})

interface Props {
  email: Email
  job: BenchJob
  apply: (label: string, edit: Edit, merge?: string) => void
  flush: () => Promise<void>
}

const said = { bands: 'from bands', hand: 'by hand', plain: 'plain text' }

/** The whole HTML of a composed email, with its pictures under the names they are handed over by. */
export function asByHand(email: Email, house: BenchJob['client']['house']): NonNullable<Email['hand']> {
  const named = new Map(
    namePictures(email).map((n) => [n.picture.id, { address: `images/${n.name}`, picture: n.picture }]),
  )
  return {
    html: compile(email, house, { src: ({ id }) => named.get(id)!.address }),
    pictures: Object.fromEntries([...named.values()].map((n) => [n.address, n.picture])),
    inline: false,
  }
}

/** The ways to write the email, and how one goes from one to another; what stood before is kept as a version. */
function useWays({ email, job, apply, flush }: Props) {
  const [open, setOpen] = useState<'take' | 'versions' | 'import' | null>(null)
  const [notes, setNotes] = useState<readonly string[]>([])
  const close = () => setOpen(null)
  const keep = useCallback(
    async (name: string) => {
      await flush()
      await call('POST /api/jobs/:job/versions', { params: { job: job.id }, body: { name } })
    },
    [flush, job.id],
  )
  const keepThen = async (name: string, then: () => void) => {
    try {
      await keep(name)
      then()
      close()
    } catch (e) {
      toast.error((e as Error).message, { duration: 9000 })
    }
  }
  const way = (to: Email['way']) => {
    if (to === email.way) return
    // Bands taken over for the first time become the HTML that is written on by hand.
    if (to === 'hand' && email.way === 'bands' && email.bands.length) return setOpen('take')
    const empty = to === 'hand' && !email.hand ? { hand: { html: '', pictures: {}, inline: false } } : {}
    apply(`write it ${said[to]}`, { name: 'setEmail', what: { way: to, ...empty } })
  }
  const take = (fresh: boolean) =>
    void keepThen('Before it was taken over by hand', () =>
      apply('take it over by hand', {
        name: 'setEmail',
        what: { way: 'hand', ...(fresh ? { hand: asByHand(email, job.client.house) } : {}) },
      }),
    )
  const bringIn = (what: Imported, as: 'hand' | 'bands') =>
    void keepThen('Before another email was brought in', () => {
      apply('bring in an email', { name: 'setEmail', what: broughtIn(what, as) })
      setNotes(what.notes)
    })
  const bringBack = (version: Email, name: string) => {
    apply(`bring back "${name}"`, { name: 'replace', what: { email: version } })
    close()
  }
  const read = () => setNotes([])
  return { open, setOpen, close, notes, read, keep, way, take, bringIn, bringBack }
}

/** How the email is written, what was kept of it, and emails brought in from elsewhere. */
export function WrittenGroup(p: Props) {
  const { email, job } = p
  const { open, setOpen, close, notes, read, keep, way, take, bringIn, bringBack } = useWays(p)
  return (
    <Group title="Written">
      <Choice
        label="How it is written"
        value={email.way}
        options={[
          { value: 'bands', label: 'bands' },
          { value: 'hand', label: 'by hand' },
          { value: 'plain', label: 'plain text' },
        ]}
        onChange={way}
      />
      <div className="flex flex-wrap gap-1">
        <Button onClick={() => setOpen('import')}>Bring in HTML</Button>
        <Button onClick={() => setOpen('versions')}>Versions</Button>
      </div>
      <p className="text-[11.5px] text-soft">
        {email.way === 'bands'
          ? 'Composed from bands.'
          : email.way === 'hand'
            ? 'The HTML is yours; lenses, checks and deliveries work on it as it is.'
            : 'No HTML part at all.'}
      </p>
      <TakeOverDialog open={open === 'take'} onClose={close} again={!!email.hand} onTake={take} />
      {open === 'versions' && <VersionsDialog job={job} onClose={close} keep={keep} onBack={bringBack} />}
      {open === 'import' && <ImportDialog onClose={close} onTaken={bringIn} />}
      {notes.length > 0 && <NotesDialog notes={notes} onClose={read} />}
    </Group>
  )
}

/** What there is to know of an email that was brought in: what became code, and what was left out, with its place. */
function NotesDialog({ notes, onClose }: { notes: readonly string[]; onClose: () => void }) {
  return (
    <Dialog
      open
      onClose={onClose}
      title="Brought in"
      about="Undo takes it back, and what stood here before is among the versions."
      wide
    >
      <div
        className="max-h-[46vh] overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label="What there is to know"
      >
        <ul className="flex flex-col gap-1.5">
          {notes.map((n) => (
            <li key={n} className="border-l-4 border-ochre bg-sheet px-2.5 py-1.5">
              {n}
            </li>
          ))}
        </ul>
      </div>
      <Button look="main" className="mt-3" onClick={onClose}>
        Good
      </Button>
    </Dialog>
  )
}

/** Asks before bands become HTML by hand. */
function TakeOverDialog({
  open,
  onClose,
  again,
  onTake,
}: {
  open: boolean
  onClose: () => void
  again: boolean
  onTake: (fresh: boolean) => void
}) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Take it over by hand?"
      about="The bands become HTML that you write on. They are kept as a version first, and stay here as they are; what you then change by hand is not carried back into them."
    >
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={() => onTake(true)}>
          Take the bands over
        </Button>
        {again && <Button onClick={() => onTake(false)}>Go on with the HTML from before</Button>}
      </div>
    </Dialog>
  )
}
