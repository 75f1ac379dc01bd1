'use client'
import { ImageUp } from 'lucide-react'
import { useEffect, useId, useState } from 'react'
import { BoardChoice, type Board } from '../parts/boards'
import { Button } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import { Beginning } from './beginning'
import type { From } from './from'
import { useNewJob, type Described } from './use-new-job'

const field = 'w-full border border-grout bg-sheet px-2 py-1.5'

type Client = { id: string; name: string }

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

const about: Record<From['begin'], string> = {
  design:
    'A design becomes a job. PNG, JPEG, WebP, AVIF, SVG, PDF or a layered file (PSD), up to 60 megapixels and 60 MB.',
  starter: "A whole layout to begin from, in the client's colours, letters and button.",
  shelf: 'What the client keeps: whole emails, or bands that stay tied to the shelf.',
  elsewhere:
    'An HTML file, a ZIP with HTML and pictures, a message saved as .eml, its source, or its address.',
  nothing: 'An email without bands, to be composed.',
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
  const { name, busy, problem } = job
  return (
    <Dialog
      open={file !== null}
      onClose={onClose}
      title="New job"
      about={about[job.from.begin]}
      wide={job.from.begin === 'starter' || job.from.begin === 'shelf'}
    >
      <form onSubmit={job.submit} className="flex flex-col gap-3">
        <Beginning job={job} />
        {job.from.begin === 'design' && <FromDesign job={job} />}
        <NameField label="Name" value={name} onChange={job.setName} />
        <ClientAndWidth job={job} clients={job.clients} />
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
            {busy
              ? job.from.begin === 'design'
                ? 'Taking the design in…'
                : 'Making the job…'
              : 'Make the job'}
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </span>
      </form>
    </Dialog>
  )
}

/** The design, and what its file lets one choose. */
function FromDesign({ job }: { job: Described }) {
  const { boards, board, narrow, setNarrow, choose } = job.boards
  return (
    <>
      <DesignField design={job.design} take={job.take} />
      {boards && boards.length > 1 && (
        <>
          <BoardChoice boards={boards} chosen={board} onChosen={(i) => choose(boards, i)} />
          <NarrowField narrow={narrow} setNarrow={setNarrow} boards={boards} board={board} />
        </>
      )}
      {boards?.[board] && <Density board={boards[board]} width={job.width} />}
    </>
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
