'use client'
import Link from 'next/link'
import { CircleHelp, History, Moon, Redo2, Undo2 } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useStore } from 'zustand'
import { Button, cx, IconButton, Tip } from '../parts/controls'
import { Mark } from '../parts/mark'
import { toggleTheme } from '../parts/theme'
import type { DocumentSession } from '../session/document'
import { WorkList } from '../tasks/list'

export const stages = [
  { id: 'cut', label: 'Cut' },
  { id: 'compose', label: 'Compose' },
  { id: 'motion', label: 'Motion' },
  { id: 'night', label: 'Night' },
  { id: 'interact', label: 'Interact' },
  { id: 'proof', label: 'Proof' },
  { id: 'handover', label: 'Hand over' },
] as const
export type StageId = (typeof stages)[number]['id']

interface Props {
  title: string
  about: string
  stage: StageId
  /** Findings left, by stage. */
  left: Record<StageId, number>
  done: Partial<Record<StageId, boolean>>
  onStage: (s: StageId) => void
  session: DocumentSession<unknown>
  onFind: () => void
  onHelp: () => void
}

/** The bar across the top: the job, the stages as a rail, and the state of the saving. */
export function TopBar(p: Props) {
  return (
    <header className="col-span-2 flex items-center gap-4 border-b border-grout bg-paper px-3.5">
      <Tip text="Back to the wall">
        <Link href="/" aria-label="Back to the wall" className="p-1.5">
          <Mark />
        </Link>
      </Tip>
      <div className="min-w-0 leading-tight">
        <h1 className="truncate text-base leading-tight">{p.title}</h1>
        <p className="truncate text-[11.5px] text-soft">{p.about}</p>
      </div>
      <nav aria-label="Stages" className="mx-auto flex gap-0.5">
        {stages.map((s) => (
          <button
            key={s.id}
            type="button"
            aria-current={p.stage === s.id ? 'step' : undefined}
            onClick={() => p.onStage(s.id)}
            className={cx(
              'px-3 py-1.5 font-semibold',
              p.stage === s.id
                ? 'bg-ink text-onink'
                : p.done[s.id]
                  ? 'bg-plaster text-verdigris hover:text-ink'
                  : 'bg-plaster text-soft hover:text-ink',
            )}
          >
            {s.label}
            {p.left[s.id] > 0 && (
              <sup
                className={cx(
                  'ml-1 font-mono text-[10.5px] font-normal',
                  p.stage === s.id ? 'text-onink' : 'text-terra',
                )}
              >
                <span className="sr-only">, to mend: </span>
                {p.left[s.id]}
              </sup>
            )}
          </button>
        ))}
      </nav>
      <div className="flex items-center gap-1.5">
        <SaveState session={p.session} />
        <UndoButtons session={p.session} />
        <Steps session={p.session} />
        <WorkList />
        <IconButton label="Light or dark app" onClick={toggleTheme}>
          <Moon size={15} />
        </IconButton>
        <IconButton label="Shortcuts" keys="?" onClick={p.onHelp}>
          <CircleHelp size={15} />
        </IconButton>
        <Button look="plain" onClick={p.onFind}>
          Find an action <kbd className="border border-grout px-1 font-mono text-[11px]">Ctrl K</kbd>
        </Button>
      </div>
    </header>
  )
}

function UndoButtons({ session }: { session: DocumentSession<unknown> }) {
  const past = useStore(session.store, (s) => s.past.at(-1)?.label)
  const future = useStore(session.store, (s) => s.future.at(-1)?.label)
  return (
    <>
      <IconButton
        label={past ? `Undo: ${past}` : 'Nothing to undo'}
        keys="Ctrl Z"
        disabled={!past}
        onClick={session.undo}
      >
        <Undo2 size={15} />
      </IconButton>
      <IconButton
        label={future ? `Redo: ${future}` : 'Nothing to redo'}
        keys="Ctrl Shift Z"
        disabled={!future}
        onClick={session.redo}
      >
        <Redo2 size={15} />
      </IconButton>
    </>
  )
}

/** So many of the latest steps are listed. */
const LISTED = 40

/** The steps since the page was opened, by name: one press goes back to before any of them. */
function Steps({ session }: { session: DocumentSession<unknown> }) {
  const past = useStore(session.store, (s) => s.past)
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <IconButton label="Steps so far" disabled={!past.length}>
          <History size={15} />
        </IconButton>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-50 max-h-[60vh] min-w-56 overflow-auto border border-grout bg-paper py-1"
        >
          <DropdownMenu.Label className="px-3 py-1 text-[11.5px] text-soft">
            Go back to before
          </DropdownMenu.Label>
          {past
            .slice(-LISTED)
            .toReversed()
            .map(({ label }, i) => (
              <DropdownMenu.Item
                key={past.length - i}
                className="px-3 py-1 text-[12.5px] outline-none data-[highlighted]:bg-wash"
                onSelect={() => {
                  for (let n = 0; n <= i; n++) session.undo()
                }}
              >
                {label}
              </DropdownMenu.Item>
            ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** What a person has to know while something is not saved. */
const keptOrNot = (kept: boolean | null): string =>
  kept === false
    ? "This browser's storage is full, so it is kept in this tab alone: do not close it."
    : 'Your work is kept in this browser.'

/** Hours and minutes; by hand, since the browser's own formatter takes tens of milliseconds to begin. */
const clock = (at: Date): string =>
  [at.getHours(), at.getMinutes()].map((n) => String(n).padStart(2, '0')).join(':')

function SaveState({ session }: { session: DocumentSession<unknown> }) {
  const status = useStore(session.store, (s) => s.status)
  const kept = useStore(session.store, (s) => s.kept)
  const look = {
    saved: [
      'bg-verdigris',
      status.kind === 'saved' && status.at ? `Saved ${clock(new Date(status.at))}` : 'Nothing to save',
    ],
    saving: ['bg-ochre', 'Saving'],
    waiting: ['bg-ochre', 'Saving'],
    failed: ['bg-terra', kept === false ? 'Not saved: keep this tab open' : 'Not saved yet'],
    conflict: ['bg-terra', 'Changed elsewhere'],
  }[status.kind] as [string, string]
  return (
    <Tip text={status.kind === 'failed' ? `${status.why} ${keptOrNot(kept)}` : 'Work saves itself'}>
      <button
        type="button"
        onClick={() => void session.flush()}
        className="flex items-center gap-1.5 px-1 text-xs whitespace-nowrap text-soft"
        aria-live="polite"
        data-save={status.kind}
      >
        <i aria-hidden className={cx('inline-block h-[7px] w-[7px]', look[0])} />
        {look[1]}
      </button>
    </Tip>
  )
}
