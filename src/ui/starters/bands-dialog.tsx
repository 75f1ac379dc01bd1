'use client'
import { Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { toast } from '../parts/toast'
import { copiesOf } from '@/core/email/kept'
import type { Band } from '@/core/email/schema'
import { starterBand, starterBands, starterGroups } from '@/core/starters'
import { call } from '../api'
import type { BenchJob } from '../bench/types'
import { Choice, cx, fieldClass, IconButton } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import { drawnBands } from './draw'
import { Card, type CardDrag } from './card'
import { useKept, type KeptEmail } from './use-kept'

/** Width of the small pictures, px. */
const SMALL = 262

const groups = ['Shelf', ...starterGroups] as const
type Group = (typeof groups)[number]

/** Bands to begin from: starters, in the client's colours, and what the client keeps. */
export function BandsDialog({
  job,
  width,
  onClose,
  onAdd,
}: {
  job: BenchJob
  /** Of the email, px. */
  width: number
  onClose: () => void
  onAdd: (bands: Band[], name: string) => void
}) {
  const [group, setGroup] = useState<Group>('Openings')
  const [aside, setAside] = useState(false)
  const dragOf: DragOf = (name, bands) => ({
    what: { name, bands },
    onBegin: () => setAside(true),
    onEnd: (placed) => (placed ? onClose() : setAside(false)),
  })
  return (
    <Dialog
      open
      onClose={onClose}
      title="Add bands"
      about="They come in the client's colours, letters and button: pressed, behind the selected band; dragged, wherever they are let go in a lens."
      wide
      aside={aside}
    >
      <div className="grid grid-cols-[110px_minmax(0,1fr)] gap-4">
        <div role="group" aria-label="Kind of band" className="flex flex-col">
          {groups.map((g) => (
            <button
              key={g}
              type="button"
              aria-pressed={group === g}
              className={cx(
                'px-2 py-1 text-left text-[12.5px]',
                group === g ? 'bg-lapis text-onlapis' : 'hover:bg-plaster',
              )}
              onClick={() => setGroup(g)}
            >
              {g}
            </button>
          ))}
        </div>
        {group === 'Shelf' ? (
          <Shelf job={job} width={width} onAdd={onAdd} dragOf={dragOf} />
        ) : (
          <Starters key={group} group={group} job={job} width={width} onAdd={onAdd} dragOf={dragOf} />
        )}
      </div>
    </Dialog>
  )
}

/** How bands are dragged out of the dialog. */
type DragOf = (name: string, bands: () => Band[] | Promise<Band[]>) => CardDrag

interface Part {
  job: BenchJob
  width: number
  onAdd: (bands: Band[], name: string) => void
  dragOf: DragOf
}

function Starters({ group, job, width, onAdd, dragOf }: Part & { group: Exclude<Group, 'Shelf'> }) {
  const [busy, setBusy] = useState<string | null>(null)
  const { house } = job.client
  const list = useMemo(
    () =>
      starterBands
        .filter((s) => s.group === group)
        .map((starter) => ({ starter, bands: [starterBand(starter, { house, width })] })),
    [group, house, width],
  )
  async function add(id: string, bands: Band[], name: string) {
    setBusy(id)
    try {
      onAdd(await drawnBands(bands, house), name)
    } catch (e) {
      toast.error((e as Error).message)
    } finally {
      setBusy(null)
    }
  }
  return (
    <ul className="grid max-h-[52vh] grid-cols-2 items-start gap-4 overflow-auto p-1" aria-label={group}>
      {list.map(({ starter, bands }) => (
        <li key={starter.id}>
          <Card
            name={starter.name}
            disabled={busy !== null}
            onPress={() => void add(starter.id, bands, starter.name)}
            drag={dragOf(starter.name, () => drawnBands(bands, house))}
            bands={bands}
            house={house}
            emailWidth={width}
            width={SMALL}
            tallest={220}
          />
        </li>
      ))}
    </ul>
  )
}

/** What the client keeps, tied to it or as a free copy. */
function Shelf({ job, width, onAdd, dragOf }: Part) {
  const [search, setSearch] = useState('')
  const [how, setHow] = useState<'tied' | 'free'>('tied')
  const { kept, problem, reload } = useKept(job.client.id, search)
  const drop = (k: KeptEmail) =>
    void call('DELETE /api/clients/:client/kept/:kept', {
      params: { client: job.client.id, kept: k.id },
    }).then(reload, (e: Error) => toast.error(e.message))
  return (
    <div className="min-w-0">
      <div className="mb-3 grid grid-cols-[1fr_200px] gap-3">
        <input
          aria-label="Search the shelf"
          className={fieldClass}
          placeholder="Search by name"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
        />
        <Choice
          label="How it is placed"
          value={how}
          options={[
            { value: 'tied', label: 'tied', name: 'An edit offers to change the others too' },
            { value: 'free', label: 'free copy', name: 'It goes its own way' },
          ]}
          onChange={setHow}
        />
      </div>
      {problem && <p role="alert">{problem}</p>}
      {kept?.length === 0 && (
        <p className="text-soft">
          {search
            ? 'Nothing is kept under that name.'
            : 'Nothing is kept yet. Select a band and press Keep, in the tray.'}
        </p>
      )}
      <ul className="grid max-h-[46vh] grid-cols-2 items-start gap-4 overflow-auto p-1" aria-label="Shelf">
        {kept?.map((k) => {
          const copies = () => copiesOf(k.email.bands, how === 'tied' ? k.id : undefined)
          return (
            <KeptCard
              key={k.id}
              kept={k}
              job={job}
              width={width}
              onDrop={() => drop(k)}
              onAdd={() => onAdd(copies(), k.name)}
              drag={dragOf(k.name, copies)}
            />
          )
        })}
      </ul>
    </div>
  )
}

/** One kept part in small, with where it is used. */
function KeptCard({
  kept: k,
  job,
  width,
  onAdd,
  onDrop,
  drag,
}: {
  kept: KeptEmail
  job: BenchJob
  width: number
  onAdd: () => void
  onDrop: () => void
  drag: CardDrag
}) {
  return (
    <li className="relative">
      <Card
        name={k.name}
        note={usedIn(k)}
        onPress={onAdd}
        drag={drag}
        bands={k.email.bands}
        house={job.client.house}
        emailWidth={width}
        width={SMALL}
        tallest={220}
      />
      <IconButton
        label={`Keep ${k.name} no longer`}
        className="absolute right-1 bottom-1 bg-paper"
        onClick={onDrop}
      >
        <Trash2 size={13} />
      </IconButton>
    </li>
  )
}

/** Where a kept part is used, in words. */
export const usedIn = ({ usedIn: jobs }: Pick<KeptEmail, 'usedIn'>): string =>
  jobs.length ? `tied in ${jobs.map((j) => j.name).join(', ')}` : 'tied nowhere'
