'use client'
import { Check, CircleSlash, Hourglass, TriangleAlert, X } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useEffect, type ReactNode } from 'react'
import type { Task } from '@/contract/tasks'
import { Button, cx, IconButton } from '../parts/controls'
import { cancelTask } from './run'
import { connect, useTasks } from './store'

/** Ended work that is listed. */
const MOST_ENDED = 8

/** Work that runs again and again by itself is shown only while it runs. */
const quiet = new Set(['POST /api/jobs/:job/crops', 'POST /api/designs'])

const words: Record<Task['state'], string> = {
  running: 'under way',
  done: 'done',
  failed: 'failed',
  cancelled: 'cancelled',
  broken: 'broken off',
}

/** All long work in one place: what runs, with its progress and a way to cancel it, and how the last ended. */
export function WorkList() {
  const { tasks, local } = useTasks()
  useEffect(connect, [])
  const all = [...tasks.values()].sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1))
  const running = all.filter((t) => t.state === 'running')
  const ended = all.filter((t) => t.state !== 'running' && !quiet.has(t.kind)).slice(0, MOST_ENDED)
  const count = running.length + local.size
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="plain" aria-label={count ? `Work, ${count} under way` : 'Work'}>
          <Hourglass size={14} className={cx(count > 0 && 'text-ochre')} />
          {count > 0 && <span className="font-mono text-[11px]">{count}</span>}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Work"
          className="z-50 max-h-[70vh] w-80 overflow-y-auto border border-grout bg-paper text-[12.5px] shadow-lg"
        >
          <h2 className="border-b border-grout px-3 py-2 font-serif text-base">Work</h2>
          {count + ended.length === 0 && (
            <p className="p-3 text-soft">Nothing is under way. Building, reading and sending show here.</p>
          )}
          <ul>
            {[...local.values()].map((t) => (
              <Under key={t.id} title={t.title} progress={t.progress} onCancel={t.cancel} />
            ))}
            {running.map((t) => (
              <Under
                key={t.id}
                title={t.title}
                progress={t.progress}
                onCancel={() => void cancelTask(t.id)}
              />
            ))}
            {ended.map((t) => (
              <Ended key={t.id} task={t} />
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

interface UnderProps {
  title: string
  progress: { done: number; total: number; what: string } | null
  onCancel: () => void
}

function Under({ title, progress, onCancel }: UnderProps) {
  const part = progress && progress.total > 0 ? progress.done / progress.total : null
  return (
    <li className="border-b border-grout px-3 py-2">
      <div className="flex items-start gap-2">
        <b className="min-w-0 flex-1 break-words">{title}</b>
        <IconButton label={`Cancel: ${title}`} onClick={onCancel}>
          <X size={13} />
        </IconButton>
      </div>
      <progress
        aria-label={title}
        className="h-1.5 w-full accent-lapis"
        {...(part === null ? {} : { value: part })}
      />
      {progress && <p className="text-[11.5px] text-soft">{progress.what}</p>}
    </li>
  )
}

const marks: Record<Exclude<Task['state'], 'running'>, ReactNode> = {
  done: <Check size={13} className="text-verdigris" />,
  cancelled: <CircleSlash size={13} className="text-soft" />,
  failed: <TriangleAlert size={13} className="text-terra" />,
  broken: <TriangleAlert size={13} className="text-terra" />,
}

function Ended({ task }: { task: Task }) {
  if (task.state === 'running') return null
  const at = new Date(task.endedAt ?? task.startedAt)
  return (
    <li className="flex items-start gap-2 border-b border-grout px-3 py-2">
      <span aria-hidden className="mt-0.5">
        {marks[task.state]}
      </span>
      <span className="min-w-0 flex-1">
        <span className="break-words">{task.title}</span>
        <span className="block text-[11.5px] text-soft">
          {words[task.state]} at {at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
          {task.problem && task.state !== 'cancelled' && `: ${task.problem.title}`}
        </span>
      </span>
    </li>
  )
}
