'use client'
import { useCallback, useEffect, useId, useState } from 'react'
import { toast } from 'sonner'
import type { Edit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import { compile } from '@/core/compile'
import { namePictures } from '@/core/handover/names'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { call, formOf } from '../api'
import { runTask } from '../tasks/run'
import type { BenchJob } from '../bench/types'
import { Button, Choice, fieldClass, Group, Row } from '../parts/controls'
import { Dialog } from '../parts/dialog'

interface Props {
  email: Email
  job: BenchJob
  apply: (label: string, edit: Edit, merge?: string) => void
  flush: () => Promise<void>
}
type Version = AnswerOf<Routes['GET /api/jobs/:job/versions']>['versions'][number]
type Imported = AnswerOf<Routes['POST /api/import']>

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

/** How the email is written, what was kept of it, and emails brought in from elsewhere. */
export function Ways({ email, job, apply, flush }: Props) {
  const [open, setOpen] = useState<'take' | 'versions' | 'import' | null>(null)
  const keep = useCallback(
    async (name: string) => {
      await flush()
      await call('POST /api/jobs/:job/versions', { params: { job: job.id }, body: { name } })
    },
    [flush, job.id],
  )
  const attempt = async (work: () => Promise<void>) => {
    try {
      await work()
    } catch (e) {
      toast.error((e as Error).message, { duration: 9000 })
    }
  }
  const way = (to: Email['way']) => {
    if (to === email.way) return
    // Bands taken over for the first time become the HTML that is written on by hand.
    if (to === 'hand' && email.way === 'bands' && email.bands.length) return setOpen('take')
    apply(`write it ${said[to]}`, {
      name: 'setEmail',
      what: {
        way: to,
        ...(to === 'hand' && !email.hand ? { hand: { html: '', pictures: {}, inline: false } } : {}),
      },
    })
  }
  const take = (fresh: boolean) =>
    void attempt(async () => {
      await keep('Before it was taken over by hand')
      apply('take it over by hand', {
        name: 'setEmail',
        what: { way: 'hand', ...(fresh ? { hand: asByHand(email, job.client.house) } : {}) },
      })
      setOpen(null)
    })
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
      <Dialog
        open={open === 'take'}
        onClose={() => setOpen(null)}
        title="Take it over by hand?"
        about="The bands become HTML that you write on. They are kept as a version first, and stay here as they are; what you then change by hand is not carried back into them."
      >
        <div className="flex flex-wrap gap-2">
          <Button look="main" onClick={() => take(true)}>
            Take the bands over
          </Button>
          {email.hand && <Button onClick={() => take(false)}>Go on with the HTML from before</Button>}
        </div>
      </Dialog>
      {open === 'versions' && (
        <Versions
          job={job}
          onClose={() => setOpen(null)}
          keep={keep}
          onBack={(body, name) => {
            apply(`bring back "${name}"`, { name: 'replace', what: { email: body } })
            setOpen(null)
          }}
        />
      )}
      {open === 'import' && (
        <Import
          onClose={() => setOpen(null)}
          onTaken={(what, as) =>
            void attempt(async () => {
              await keep('Before another email was brought in')
              const { notes: _, ...bands } = what.bands as Imported['bands'] & { notes?: string[] }
              apply('bring in an email', {
                name: 'setEmail',
                what: {
                  hand: what.hand,
                  way: as,
                  ...(what.subject ? { subject: what.subject.slice(0, 500) } : {}),
                  ...(as === 'hand' ? { text: what.text?.slice(0, 400_000) } : { text: undefined }),
                  ...(as === 'bands' ? bands : { lang: bands.lang, dir: bands.dir, title: bands.title }),
                },
              })
              what.notes.forEach((n) => toast.warning(n, { duration: 9000 }))
              setOpen(null)
            })
          }
        />
      )}
    </Group>
  )
}

function Versions({
  job,
  onClose,
  keep,
  onBack,
}: {
  job: BenchJob
  onClose: () => void
  keep: (name: string) => Promise<void>
  onBack: (email: Email, name: string) => void
}) {
  const [list, setList] = useState<Version[] | null>(null)
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const load = useCallback(
    () =>
      call('GET /api/jobs/:job/versions', { params: { job: job.id } }).then(
        (r) => setList(r.versions),
        (e: Error) => setProblem(e.message),
      ),
    [job.id],
  )
  useEffect(() => void load(), [load])
  return (
    <Dialog
      open
      onClose={onClose}
      title="Versions of this email"
      about="Bringing one back is a step like any other: undo takes it back again."
    >
      <form
        className="mb-3 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault()
          keep(name.trim() || 'Kept').then(load, (x: Error) => setProblem(x.message))
          setName('')
        }}
      >
        <input
          aria-label="Name of the version"
          className={fieldClass}
          placeholder="Name, such as: sent to the client"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" look="main">
          Keep the email as it is now
        </Button>
      </form>
      {problem && (
        <p role="alert" className="text-terra">
          {problem}
        </p>
      )}
      {list?.length === 0 && <p className="text-soft">Nothing has been kept yet.</p>}
      <ul>
        {list?.map((v) => (
          <li key={v.id} className="flex items-center gap-2 border-t border-grout py-1.5">
            <span className="min-w-0 flex-1 truncate">{v.name}</span>
            <time className="font-mono text-[11px] text-soft" dateTime={v.at}>
              {new Date(v.at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}
            </time>
            <Button
              onClick={() =>
                call('GET /api/jobs/:job/versions/:version', { params: { job: job.id, version: v.id } }).then(
                  (r) => onBack(r.email, v.name),
                  (e: Error) => setProblem(e.message),
                )
              }
            >
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </Dialog>
  )
}

function Import({
  onClose,
  onTaken,
}: {
  onClose: () => void
  onTaken: (what: Imported, as: 'hand' | 'bands') => void
}) {
  const id = useId()
  const [as, setAs] = useState<'hand' | 'bands'>('bands')
  const [source, setSource] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  async function take(work: () => Promise<Imported>) {
    setBusy(true)
    setProblem(null)
    try {
      onTaken(await work(), as)
    } catch (e) {
      setProblem((e as Error).message)
    } finally {
      setBusy(false)
    }
  }
  const file = (f: File) => void take(() => runTask('POST /api/import', { form: formOf({ file: f }) }))
  return (
    <Dialog
      open
      onClose={onClose}
      title="Bring in an email made elsewhere"
      about="An HTML file, a ZIP with HTML and pictures, a message saved as .eml, or pasted source. What stands here now is kept as a version first."
      wide
    >
      <div className="flex flex-col gap-3">
        <Row label="Becomes">
          <Choice
            label="What it becomes"
            value={as}
            options={[
              { value: 'bands', label: 'bands and tiles, code where it must' },
              { value: 'hand', label: 'HTML by hand, byte for byte' },
            ]}
            onChange={setAs}
          />
        </Row>
        <label
          htmlFor={id}
          className="inline-flex w-fit border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2 focus-within:outline-lapis hover:border-soft"
          onDragOver={(e) => e.preventDefault()}
          onDrop={(e) => {
            e.preventDefault()
            const f = e.dataTransfer.files[0]
            if (f) file(f)
          }}
        >
          Choose or drop a file
          <input
            id={id}
            type="file"
            accept=".html,.htm,.zip,.eml,text/html,application/zip,message/rfc822"
            className="sr-only"
            onChange={(e) => {
              const f = e.target.files?.[0]
              if (f) file(f)
              e.target.value = ''
            }}
          />
        </label>
        <textarea
          aria-label="Source of the email"
          rows={8}
          className={fieldClass}
          placeholder="Or paste the source here"
          value={source}
          onChange={(e) => setSource(e.target.value)}
        />
        <div>
          <Button
            look="main"
            disabled={busy || !source.trim()}
            onClick={() => void take(() => runTask('POST /api/import', { body: { html: source } }))}
          >
            {busy ? 'Reading it' : 'Bring in the source'}
          </Button>
        </div>
        {problem && (
          <p role="alert" className="text-terra">
            {problem}
          </p>
        )}
      </div>
    </Dialog>
  )
}
