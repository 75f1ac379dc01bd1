'use client'
import {
  Archive,
  ArchiveRestore,
  CalendarDays,
  Copy,
  EllipsisVertical,
  FolderOpen,
  Moon,
  Pencil,
  Plus,
  Upload,
} from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { DropdownMenu } from 'radix-ui'
import { useEffect, useRef, useState, type DragEvent } from 'react'
import { toast } from '../parts/toast'
import { call, type ApiProblem } from '../api'
import { useFinder, type Action } from '../bench/actions'
import { Button, Choice, cx, IconButton, useMounted } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import { Mark } from '../parts/mark'
import { toggleTheme } from '../parts/theme'
import { WorkList } from '../tasks/list'
import { isEmailFile } from './from'
import { NewJob } from './new-job'
import { useJobs, type JobCount, type WallJob } from './use-jobs'

const states = {
  design: { label: 'Design', tone: 'bg-ochre' },
  cut: { label: 'Cut', tone: 'bg-ochre' },
  composing: { label: 'Composing', tone: 'bg-lapis' },
  ready: { label: 'Ready', tone: 'bg-verdigris' },
  'handed over': { label: 'Handed over', tone: 'bg-verdigris' },
} as const

/** What is left to do, in a few words. */
function left(j: WallJob): string {
  if (j.trouble) return 'Cannot be read: open it'
  if (j.state === 'design') return 'Find the parts'
  if (j.state === 'cut') return `Build from ${j.cutCount} cuts`
  if (j.state === 'composing') return `${j.toMend} to mend`
  return j.state === 'ready' ? `Hand it over${j.toMind ? `, ${j.toMind} to mind` : ''}` : 'Done'
}

const day = (d: string) =>
  new Date(`${d}T12:00`).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })

/** What jobs are grouped by. */
type By = 'client' | 'due'

/** Changes of jobs from the wall; each says what it did. @param reload shows the wall as it is now */
function useJobChanges(reload: () => Promise<void>) {
  async function change(
    j: WallJob,
    set: Record<string, unknown>,
    done: string,
    undo?: Record<string, unknown>,
  ) {
    try {
      await call('PATCH /api/jobs/:job', { params: { job: j.id }, body: set })
      await reload()
      toast(done, undo && { action: { label: 'Undo', onClick: () => void change(j, undo, 'Undone') } })
    } catch (e) {
      toast.error((e as ApiProblem).message)
    }
  }
  const archive = (j: WallJob) =>
    void change(
      j,
      { archived: !j.archived },
      j.archived ? `${j.name} hangs on the wall again` : `${j.name} archived`,
      { archived: j.archived },
    )
  async function duplicate(j: WallJob) {
    try {
      const copy = await call('POST /api/jobs/:job/duplicate', { params: { job: j.id } })
      await reload()
      toast(`${copy.name} made`)
    } catch (e) {
      toast.error((e as ApiProblem).message)
    }
  }
  return { change, archive, duplicate }
}

/** What can be done on the wall by name and by shortcut. */
function wallActions({
  by,
  setBy,
  archived,
  setArchived,
  setFile,
  shown,
  lock,
  go,
}: {
  by: By
  setBy: (by: By) => void
  archived: boolean
  setArchived: (v: boolean) => void
  setFile: (f: 'choose') => void
  shown: readonly WallJob[]
  /** Closes the bench to whoever comes after; null where no passphrase is asked for. */
  lock: (() => void) | null
  go: (address: string) => void
}): Action[] {
  return [
    { id: 'new', label: 'New job', group: 'Wall', keys: 'N', run: () => setFile('choose') },
    {
      id: 'by',
      label: by === 'client' ? 'Group by due date' : 'Group by client',
      group: 'Wall',
      run: () => setBy(by === 'client' ? 'due' : 'client'),
    },
    {
      id: 'arch',
      label: archived ? 'Show the current jobs' : 'Show archived jobs',
      group: 'Wall',
      run: () => setArchived(!archived),
    },
    {
      id: 'inbox',
      label: 'Open the inbox stand-in',
      group: 'Stand-ins',
      run: () => go('/standins/inbox'),
    },
    {
      id: 'platform',
      label: 'Open the platform stand-in',
      group: 'Stand-ins',
      run: () => go('/standins/platform'),
    },
    {
      id: 'answers',
      label: 'Open the answers stand-in',
      group: 'Stand-ins',
      run: () => go('/standins/answers'),
    },
    ...(lock ? [{ id: 'lock', label: 'Close the bench in this browser', group: 'Wall', run: lock }] : []),
    ...shown.map((j): Action => ({
      id: `open-${j.id}`,
      label: `Open ${j.name}`,
      group: 'Jobs',
      run: () => go(`/jobs/${j.id}`),
    })),
  ]
}

/** The first screen: the jobs side by side as tall strips, each the email's own picture in proportion. */
export function Wall({
  first,
  count,
  clients,
  passphrase,
}: {
  first: readonly WallJob[]
  count: JobCount
  /** Whether one is asked for. */
  passphrase: boolean
  clients: { id: string; name: string }[]
}) {
  const router = useRouter()
  const [by, setBy] = useState<By>('client')
  const [archived, setArchived] = useState(false)
  const [file, setFile] = useState<File | 'choose' | null>(null)
  const [renaming, setRenaming] = useState<WallJob | null>(null)
  const mounted = useMounted()
  const { shown, loading, counted, reload } = useJobs(first, count, archived)
  const { change, archive, duplicate } = useJobChanges(reload)
  const finder = useFinder(() =>
    wallActions({
      ...{ by, setBy, archived, setArchived, setFile, shown },
      lock: passphrase ? closeBench : null,
      go: (a) => router.push(a),
    }),
  )
  const { over, handlers } = useDropping(setFile)
  return (
    <div className="flex h-dvh min-w-[900px] flex-col" data-ready={mounted} {...handlers}>
      <WallBar
        by={by}
        setBy={setBy}
        setArchived={setArchived}
        archived={archived}
        stored={counted.archived}
        finder={finder}
        setFile={setFile}
      />
      <main className="min-h-0 flex-1 overflow-auto px-5 pt-4 pb-8">
        {!shown.length && !loading && <Empty archived={archived} setFile={setFile} />}
        <div className="flex flex-wrap items-start gap-x-9 gap-y-7">
          {group(shown, by).map(([title, jobs]) => (
            <Jobs
              key={title}
              title={title}
              client={by === 'client' ? jobs[0]!.client.id : null}
              jobs={jobs}
              onRename={setRenaming}
              onDuplicate={(j) => void duplicate(j)}
              onArchive={archive}
            />
          ))}
        </div>
      </main>
      {over && <LetGo email={over === 'email'} />}
      <NewJob
        file={file}
        clients={clients}
        onClose={() => setFile(null)}
        onMade={(id) => router.push(`/jobs/${id}`)}
      />
      {renaming && <Rename job={renaming} change={change} onClose={() => setRenaming(null)} />}
      {finder.finder}
    </div>
  )
}

/** Ends this browser's session and shows the way in. */
const closeBench = () =>
  void call('DELETE /api/session', {}).then(
    () => location.reload(),
    (e: unknown) => toast.error((e as ApiProblem).message),
  )

/** Says what happens to a file that is held over the wall. */
const LetGo = ({ email }: { email: boolean }) => (
  <div className="pointer-events-none fixed inset-3 z-30 grid place-items-center border-4 border-dashed border-lapis bg-paper/85">
    <p className="font-serif text-xl">
      Let go: the {email ? 'email made elsewhere' : 'design'} becomes a new job
    </p>
  </div>
)

/** A file dropped anywhere on the wall begins a job. @returns whether one is held over it, and what to listen to */
function useDropping(onFile: (f: File) => void) {
  const [over, setOver] = useState<'design' | 'email' | null>(null)
  const handlers = {
    onDragOver(e: DragEvent) {
      if (![...e.dataTransfer.types].includes('Files')) return
      e.preventDefault()
      const [item] = e.dataTransfer.items
      setOver(item && isEmailFile({ name: '', type: item.type }) ? 'email' : 'design')
    },
    onDragLeave(e: DragEvent) {
      if (e.currentTarget === e.target) setOver(null)
    },
    onDrop(e: DragEvent) {
      e.preventDefault()
      setOver(null)
      const f = e.dataTransfer.files[0]
      if (f) onFile(f)
    },
  }
  return { over, handlers }
}

/** Jobs that belong together, strip beside strip. */
function Jobs({
  title,
  client,
  jobs,
  onRename,
  onDuplicate,
  onArchive,
}: {
  title: string
  /** The client they are all for. */
  client: string | null
  jobs: readonly WallJob[]
  onRename: (j: WallJob) => void
  onDuplicate: (j: WallJob) => void
  onArchive: (j: WallJob) => void
}) {
  return (
    <section aria-label={title}>
      <div className="mb-2.5 flex items-baseline gap-4 border-b border-grout pb-1">
        <h2 className="text-[15px]">{title}</h2>
        {client && (
          <Link href={`/clients/${client}`} className="ml-auto text-[12px] text-soft hover:text-ink">
            House style
          </Link>
        )}
      </div>
      <ul className="flex flex-wrap items-start gap-5">
        {jobs.map((j) => (
          <Strip
            key={j.id}
            job={j}
            onRename={() => onRename(j)}
            onDuplicate={() => onDuplicate(j)}
            onArchive={() => onArchive(j)}
          />
        ))}
      </ul>
    </section>
  )
}

/** What the wall says while nothing hangs on it. */
function Empty({ archived, setFile }: { archived: boolean; setFile: (f: 'choose') => void }) {
  return (
    <div className="mx-auto mt-24 max-w-md border-t-4 border-lapis bg-paper p-6">
      <h2 className="text-lg">{archived ? 'Nothing is archived' : 'The wall is empty'}</h2>
      <p className="mt-1 text-soft">
        {archived
          ? 'Archived jobs are kept here until you bring them back.'
          : 'Drop a design picture anywhere on this page, or an email made elsewhere. It becomes a job. Or begin from a starter.'}
      </p>
      {!archived && (
        <Button look="main" className="mt-3" onClick={() => setFile('choose')}>
          <Upload size={14} /> Choose a design
        </Button>
      )}
    </div>
  )
}

/** The bar over the wall. */
function WallBar({
  by,
  setBy,
  setArchived,
  archived,
  stored,
  finder,
  setFile,
}: {
  by: By
  setBy: (by: By) => void
  setArchived: (v: boolean) => void
  archived: boolean
  /** How many jobs are archived. */
  stored: number
  finder: ReturnType<typeof useFinder>
  setFile: (f: 'choose') => void
}) {
  return (
    <header className="flex h-12 shrink-0 items-center gap-4 border-b border-grout bg-paper px-4">
      <Mark />
      <h1 className="text-[19px] leading-none">Mosaicus</h1>
      <div className="ml-6 w-52">
        <Choice
          label="Group by"
          value={by}
          options={[
            { value: 'client', label: 'By client' },
            { value: 'due', label: 'By due date' },
          ]}
          onChange={setBy}
        />
      </div>
      <Button look="plain" onClick={() => setArchived(!archived)}>
        {archived ? 'Current jobs' : `Archived (${stored})`}
      </Button>
      <span className="ml-auto flex items-center gap-2">
        <Link href="/standins/inbox" className="px-1 text-soft hover:text-ink">
          Inbox
        </Link>
        <Link href="/standins/platform" className="px-1 text-soft hover:text-ink">
          Platform
        </Link>
        <Link href="/standins/answers" className="px-1 text-soft hover:text-ink">
          Answers
        </Link>
        <WorkList />
        <IconButton label="Light or dark app" onClick={toggleTheme}>
          <Moon size={15} />
        </IconButton>
        <Button look="plain" onClick={finder.openFinder}>
          Find an action <kbd className="border border-grout px-1 font-mono text-[11px]">Ctrl K</kbd>
        </Button>
        <Button look="main" onClick={() => setFile('choose')}>
          <Plus size={15} /> New job
        </Button>
      </span>
    </header>
  )
}

function group(jobs: readonly WallJob[], by: 'client' | 'due'): [string, WallJob[]][] {
  const out = new Map<string, WallJob[]>()
  const sorted =
    by === 'client'
      ? [...jobs].sort(
          (a, b) => a.client.name.localeCompare(b.client.name) || (a.due ?? '9').localeCompare(b.due ?? '9'),
        )
      : [...jobs].sort((a, b) => (a.due ?? '9').localeCompare(b.due ?? '9'))
  for (const j of sorted) {
    const key = by === 'client' ? j.client.name : j.due ? day(j.due) : 'No day set'
    out.set(key, [...(out.get(key) ?? []), j])
  }
  return [...out]
}

const WIDTH = 216
const TALLEST = 560
/** Height over width of the picture of a job without a design. */
const WITHOUT = 1.6
/** What stands under the picture of a job, px: its name, its client, its day and what is left. */
const CAPTION = 75

/** Height of the picture of a job, px: in proportion, but a very tall one is cut off. */
function pictureHeight({ design }: WallJob): number {
  const proportion = design ? design.height / design.width : WITHOUT
  return Math.min(TALLEST, Math.max(60, WIDTH * proportion))
}

function Strip({
  job,
  onRename,
  onDuplicate,
  onArchive,
}: {
  job: WallJob
  onRename: () => void
  onDuplicate: () => void
  onArchive: () => void
}) {
  const state = states[job.state]
  const item = 'flex cursor-default items-center gap-2 px-2.5 py-1.5 outline-none data-[highlighted]:bg-wash'
  return (
    <li
      className="-m-1 w-[224px] p-1 [content-visibility:auto]"
      // A strip out of view is not drawn, but keeps its place: what follows never lies over it.
      style={{ containIntrinsicSize: `224px ${pictureHeight(job) + CAPTION}px` }}
      data-job={job.id}
    >
      <Link
        href={`/jobs/${job.id}`}
        aria-label={`Open ${job.name}`}
        className="block border border-grout bg-white hover:outline-2 hover:outline-lapis"
      >
        <StripPicture job={job} />
      </Link>
      <div className="mt-2 flex items-start gap-1">
        <div className="min-w-0 flex-1 leading-tight">
          <h3 className="truncate text-[14px]">{job.name}</h3>
          <p className="truncate text-[11.5px] text-soft">{job.client.name}</p>
          {job.due && <p className="font-mono text-[11px] text-soft">due {day(job.due)}</p>}
          <p className="mt-1 flex items-center gap-1.5 text-[12px]">
            <i aria-hidden className={cx('h-[9px] w-[9px]', state.tone)} />
            <b className="font-semibold">{state.label}</b>
            <span className={job.state === 'composing' ? 'text-terra' : 'text-soft'}>{left(job)}</span>
          </p>
        </div>
        <StripMenu
          job={job}
          item={item}
          onRename={onRename}
          onDuplicate={onDuplicate}
          onArchive={onArchive}
        />
      </div>
    </li>
  )
}

/** What can be done with a job. */
function StripMenu({
  job,
  item,
  onRename,
  onDuplicate,
  onArchive,
}: {
  job: WallJob
  item: string
  onRename: () => void
  onDuplicate: () => void
  onArchive: () => void
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`More for ${job.name}`}
        className="grid size-6.5 place-items-center text-soft hover:bg-paper hover:text-ink"
      >
        <EllipsisVertical size={15} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-30 min-w-44 border border-grout bg-paper py-1">
          <DropdownMenu.Item asChild className={item}>
            <Link href={`/jobs/${job.id}`}>
              <FolderOpen size={14} /> Open
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={onRename}>
            <Pencil size={14} /> Rename or set the day
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={onDuplicate}>
            <Copy size={14} /> Duplicate
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={onArchive}>
            {job.archived ? (
              <>
                <ArchiveRestore size={14} /> Bring back
              </>
            ) : (
              <>
                <Archive size={14} /> Archive
              </>
            )}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/**
 * The email's own picture where there is one, else the design's; both in true proportion, cut off where very
 * tall.
 */
function StripPicture({ job }: { job: WallJob }) {
  const { design } = job
  const height = pictureHeight(job)
  if (!job.emailRevision || job.trouble)
    return design ? (
      <img
        src={`/api/pictures/${design.id}?width=432`}
        alt=""
        width={WIDTH}
        className="block object-cover object-top"
        style={{ height, width: '100%' }}
      />
    ) : (
      <span aria-hidden className="block bg-paper" style={{ height }} />
    )
  const scale = (WIDTH - 2) / job.width
  return (
    <span className="block overflow-hidden" style={{ height }} aria-hidden>
      <iframe
        key={job.emailRevision}
        title={`${job.name} in small`}
        src={`/api/jobs/${job.id}/html?fields=sample&r=${job.emailRevision}`}
        // Without scripts; of the app's origin, so that its pictures are given to it behind a passphrase too.
        sandbox="allow-same-origin"
        loading="lazy"
        tabIndex={-1}
        scrolling="no"
        className="pointer-events-none border-0 bg-white"
        style={{
          width: job.width,
          height: height / scale,
          transform: `scale(${scale})`,
          transformOrigin: '0 0',
        }}
      />
    </span>
  )
}

function Rename({
  job,
  onClose,
  change,
}: {
  job: WallJob
  onClose: () => void
  change: ReturnType<typeof useJobChanges>['change']
}) {
  const [name, setName] = useState(job.name)
  const [due, setDue] = useState(job.due ?? '')
  const first = useRef<HTMLInputElement>(null)
  useEffect(() => first.current?.select(), [])
  const field = 'w-full border border-grout bg-sheet px-2 py-1.5'
  return (
    <Dialog open onClose={onClose} title="Rename, or set the day">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault()
          if (!name.trim()) return
          const set = { name: name.trim(), due: due || null }
          void change(job, set, 'Saved', { name: job.name, due: job.due })
          onClose()
        }}
      >
        <label className="block">
          <span className="mb-1 block text-soft">Name</span>
          <input
            ref={first}
            className={field}
            value={name}
            maxLength={120}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label className="block">
          <span className="mb-1 flex items-center gap-1.5 text-soft">
            <CalendarDays size={13} /> Due
          </span>
          <input type="date" className={field} value={due} onChange={(e) => setDue(e.target.value)} />
        </label>
        <span className="flex gap-2">
          <Button look="main" type="submit" disabled={!name.trim()}>
            Save
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </span>
      </form>
    </Dialog>
  )
}
