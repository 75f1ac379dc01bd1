'use client'
import { ImageUp } from 'lucide-react'
import { useEffect, useId, useState, type FormEvent } from 'react'
import { toast } from 'sonner'
import { ApiProblem, call, formOf } from '../api'
import { runTask } from '../tasks/run'
import { BoardChoice, type Board } from '../parts/boards'
import { Button } from '../parts/controls'
import { Dialog } from '../parts/dialog'

const field = 'w-full border border-grout bg-sheet px-2 py-1.5'

type Client = { id: string; name: string }
type Problem = { title: string; detail: string }

/** A name for the job from that of its file. */
const nameFrom = (file: string) =>
  file
    .replace(/\.[a-z]+$/i, '')
    .replace(/[-_]+/g, ' ')
    .replace(/^./, (c) => c.toUpperCase())

const problemOf = (e: unknown, title: string): Problem =>
  e instanceof ApiProblem ? e : { title, detail: String(e) }

/** The address of a picture that the browser can show; null of what it cannot. */
function useObjectUrl(design: File | null): string | null {
  const [address, setAddress] = useState<string | null>(null)
  useEffect(() => {
    if (!design?.type.startsWith('image/')) return setAddress(null)
    const a = URL.createObjectURL(design)
    setAddress(a)
    return () => URL.revokeObjectURL(a)
  }, [design])
  return address
}

/**
 * What a file says itself is in it: its pages or artboards, which of them is the wide design, which the narrow
 * one, and how wide the email may be.
 */
function useBoards(design: File | null, onWidth: (px: string) => void, onProblem: (p: Problem) => void) {
  const [boards, setBoards] = useState<Board[] | null>(null)
  const [board, setBoard] = useState(0)
  const [narrow, setNarrow] = useState('')
  /** Takes a board, with the email's width that it lets one guess. */
  const choose = (list: readonly Board[], i: number) => {
    setBoard(i)
    onWidth(String(Math.max(320, Math.min(900, list[i]!.emailWidth))))
  }
  useEffect(() => {
    setBoards(null)
    setBoard(0)
    setNarrow('')
    if (!design) return
    const stop = new AbortController()
    runTask('POST /api/designs', { form: formOf({ design }) }, { signal: stop.signal }).then(
      ({ boards: found }) => {
        setBoards(found)
        const firstWide = found.findIndex((b) => !b.narrow)
        const wide = Math.max(0, firstWide),
          small = found.findIndex((b, i) => b.narrow && i !== wide)
        choose(found, wide)
        if (small >= 0) setNarrow(String(small))
      },
      (e: unknown) => {
        if ((e as Error).name !== 'AbortError') onProblem(problemOf(e, 'The design could not be read'))
      },
    )
    return () => stop.abort()
    // What it tells of is the design's alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [design])
  return { boards, board, narrow, setNarrow, choose }
}

/** The job as it is described so far, and how it is made. */
function useNewJob(file: File | 'choose' | null, clients: Client[], onMade: (id: string) => void) {
  const [design, setDesign] = useState<File | null>(null)
  const [name, setName] = useState('')
  const [client, setClient] = useState(clients[0]?.id ?? 'new')
  const [newClient, setNewClient] = useState('')
  const [width, setWidth] = useState('600')
  const [due, setDue] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<Problem | null>(null)
  const boards = useBoards(design, setWidth, setProblem)

  const take = (f: File) => {
    setDesign(f)
    setProblem(null)
    setName((n) => n || nameFrom(f.name))
  }
  useEffect(() => {
    if (file instanceof File) take(file)
    if (!file) {
      setDesign(null)
      setName('')
      setProblem(null)
      setBusy(false)
    }
  }, [file])
  async function make(from: File) {
    const clientId =
      client === 'new' ? (await call('POST /api/clients', { body: { name: newClient } })).id : client
    const { board, narrow } = boards
    const pair = narrow ? { narrow: from, narrowBoard: narrow } : {}
    const form = formOf({ design: from, clientId, name, width, due, board: String(board), ...pair })
    const made = await runTask('POST /api/jobs', { form })
    // What was left out of the file, or which page was taken.
    made.notes.forEach((n) => toast(n, { duration: 9000 }))
    onMade(made.id)
  }
  async function submit(e: FormEvent) {
    e.preventDefault()
    if (!design) return setProblem(noDesign)
    setBusy(true)
    setProblem(null)
    try {
      await make(design)
    } catch (error) {
      setProblem(problemOf(error, 'The job could not be made'))
      setBusy(false)
    }
  }
  return {
    ...{ design, take, boards, name, setName, client, setClient, newClient, setNewClient },
    ...{ width, setWidth, due, setDue, busy, problem, submit },
  }
}
type Described = ReturnType<typeof useNewJob>

const noDesign: Problem = {
  title: 'No design yet',
  detail: 'Choose the picture the designer sent, or drop it on the page.',
}

/** A design becomes a job: its client, its name and the width of the email. */
export function NewJob({
  file,
  clients,
  onClose,
  onMade,
}: {
  file: File | 'choose' | null
  clients: Client[]
  onClose: () => void
  onMade: (id: string) => void
}) {
  const job = useNewJob(file, clients, onMade)
  const { design, name, busy, problem } = job
  const { boards, board, narrow, setNarrow, choose } = job.boards
  return (
    <Dialog
      open={file !== null}
      onClose={onClose}
      title="New job"
      about="A design becomes a job. PNG, JPEG, WebP, AVIF, SVG, PDF or a layered file (PSD), up to 60 megapixels and 60 MB."
    >
      <form onSubmit={job.submit} className="flex flex-col gap-3">
        <DesignField design={design} take={job.take} />
        {boards && boards.length > 1 && (
          <>
            <BoardChoice boards={boards} chosen={board} onChosen={(i) => choose(boards, i)} />
            <NarrowField narrow={narrow} setNarrow={setNarrow} boards={boards} board={board} />
          </>
        )}
        {boards?.[board] && <Density board={boards[board]} width={job.width} />}
        <NameField label="Name" value={name} onChange={job.setName} />
        <ClientAndWidth job={job} clients={clients} />
        {job.client === 'new' && (
          <NameField label="Name of the client" value={job.newClient} onChange={job.setNewClient} />
        )}
        {problem && (
          <p role="alert" className="border-l-4 border-terra bg-sheet px-2.5 py-1.5">
            <b>{problem.title}.</b> {problem.detail}
          </p>
        )}
        <span className="flex gap-2">
          <Button look="main" type="submit" disabled={busy}>
            {busy ? 'Taking the design in…' : 'Make the job'}
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </span>
      </form>
    </Dialog>
  )
}

/** Which board is the narrow design of the same email. */
function NarrowField({
  narrow,
  setNarrow,
  boards,
  board,
}: {
  narrow: string
  setNarrow: (v: string) => void
  boards: Board[]
  board: number
}) {
  return (
    <label className="block">
      <span className="mb-1 block text-soft">Narrow design of the same email</span>
      <select className={field} value={narrow} onChange={(e) => setNarrow(e.target.value)}>
        <option value="">none</option>
        {boards.map(
          (b, i) =>
            i !== board && (
              <option key={i} value={i}>
                {b.name}, {b.width} px
              </option>
            ),
        )}
      </select>
    </label>
  )
}

function NameField({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (v: string) => void
}) {
  return (
    <label className="block">
      <span className="mb-1 block text-soft">{label}</span>
      <input
        className={field}
        value={value}
        required
        maxLength={120}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  )
}

/** How many pixels of the design there are for each of the email. @param width of the email, px */
const Density = ({ board, width }: { board: Board; width: string }) => (
  <p className="font-mono text-[11.5px] text-soft">
    {board.width} x {board.height} px: {Number((board.width / Number(width || 600)).toFixed(2))}x of an email
    of {width} px
  </p>
)

/** Whose email it is, how wide, and for when. */
function ClientAndWidth({ job, clients }: { job: Described; clients: Client[] }) {
  const { client, setClient, width, setWidth, due, setDue } = job
  return (
    <div className="grid grid-cols-[1fr_76px_132px] gap-3">
      <label className="block">
        <span className="mb-1 block text-soft">Client</span>
        <select className={field} value={client} onChange={(e) => setClient(e.target.value)}>
          {clients.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
          <option value="new">A new client…</option>
        </select>
      </label>
      <label className="block">
        <span className="mb-1 block text-soft">Width, px</span>
        <input
          className={field}
          type="number"
          min={320}
          max={900}
          value={width}
          onChange={(e) => setWidth(e.target.value)}
        />
      </label>
      <label className="block">
        <span className="mb-1 block text-soft">Due</span>
        <input className={field} type="date" value={due} onChange={(e) => setDue(e.target.value)} />
      </label>
    </div>
  )
}

/** The design, chosen or dropped. */
function DesignField({ design, take }: { design: File | null; take: (f: File) => void }) {
  const address = useObjectUrl(design)
  const id = useId()
  return (
    <label
      htmlFor={id}
      className="flex items-center gap-3 border-2 border-dashed border-grout bg-sheet p-3 hover:border-lapis"
    >
      {address ? (
        <img src={address} alt="" className="h-20 w-16 border border-grout object-cover object-top" />
      ) : (
        <ImageUp aria-hidden size={28} className="text-soft" />
      )}
      <span className="min-w-0">
        <b className="block truncate font-semibold">{design ? design.name : 'Choose the design'}</b>
        <span className="text-soft">
          {design ? `${(design.size / 1048576).toFixed(2)} MB` : 'or drop it on the page'}
        </span>
      </span>
      <input
        id={id}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/avif,image/svg+xml,application/pdf,.psd"
        className="sr-only"
        onChange={(e) => {
          const f = e.target.files?.[0]
          if (f) take(f)
        }}
      />
    </label>
  )
}
