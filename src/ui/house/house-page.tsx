'use client'
import { ArrowLeft, Moon, Redo2, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useRef } from 'react'
import type { HouseStyle } from '@/core/email/styles'
import { Button, IconButton, useMounted } from '../parts/controls'
import { Mark } from '../parts/mark'
import { toggleTheme } from '../parts/theme'
import { HouseFields } from './fields'
import { Sample } from './sample'
import { useHouse } from './use-house'

/** A client's house style on a page of its own, seen on a sample email wide, narrow and at night while it changes. */
export function HousePage({
  client,
  emails,
  trouble,
}: {
  client: { id: string; name: string; house: HouseStyle }
  /** How many emails the client has. */
  emails: number
  /** Why its house style cannot be read. */
  trouble?: string | undefined
}) {
  const work = useHouse(client)
  const mounted = useMounted()
  useKeys(work)
  return (
    <div className="flex h-dvh min-w-[1100px] flex-col" data-ready={mounted}>
      <Head work={work} name={client.name} emails={emails} />
      {trouble && (
        <p
          role="alert"
          className="border-b border-grout border-l-4 border-l-terra bg-paper px-5 py-2 text-xs"
        >
          <b>The house style that is saved cannot be read.</b> A plain one stands in its place, here and in
          all emails; the first change here, or a file that is brought in, is saved over it. What is wrong:{' '}
          {trouble}
        </p>
      )}
      <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_300px_190px]">
        <div className="overflow-auto px-5 py-4" tabIndex={0} role="region" aria-label="Values">
          <HouseFields house={work.house} set={work.set} name={client.name} />
        </div>
        <div
          className="overflow-auto border-l border-grout bg-ground"
          tabIndex={0}
          role="region"
          aria-label="Wide"
        >
          <Sample house={work.house} shown={[{ name: 'Wide', width: 284 }]} />
        </div>
        <div
          className="overflow-auto border-l border-grout bg-ground"
          tabIndex={0}
          role="region"
          aria-label="Narrow and night"
        >
          <Sample
            house={work.house}
            shown={[
              { name: 'Narrow', width: 174 },
              { name: 'Night', width: 174 },
            ]}
          />
        </div>
      </main>
    </div>
  )
}

/** Whose it is, and what is done with it. */
function Head({ work, name, emails }: { work: ReturnType<typeof useHouse>; name: string; emails: number }) {
  return (
    <header className="flex h-12 shrink-0 items-center gap-3 border-b border-grout bg-paper px-4">
      <Link
        href="/"
        aria-label="Back to the wall"
        className="flex items-center gap-2 text-soft hover:text-ink"
      >
        <ArrowLeft size={15} />
        <Mark />
      </Link>
      <h1 className="text-[17px] leading-none">House style of {name}</h1>
      <span className="text-xs text-soft">
        {emails === 1 ? 'one email starts' : `${emails} emails start`} from it
      </span>
      <span className="ml-auto flex items-center gap-2">
        {work.problem && (
          <span role="alert" className="max-w-md text-xs text-terra">
            {work.problem}
          </span>
        )}
        <IconButton label="Undo" keys="Ctrl Z" disabled={!work.canUndo} onClick={work.undo}>
          <Undo2 size={15} />
        </IconButton>
        <IconButton label="Redo" keys="Ctrl Y" disabled={!work.canRedo} onClick={work.redo}>
          <Redo2 size={15} />
        </IconButton>
        <IconButton label="Light or dark app" onClick={toggleTheme}>
          <Moon size={15} />
        </IconButton>
        <Button look="main" disabled={work.busy || !work.changed} onClick={() => void work.save()}>
          {work.changed ? 'Save the house style' : 'Saved'}
        </Button>
      </span>
    </header>
  )
}

/** Undo, redo and save by key; leaving with what is not saved is asked for. */
function useKeys(work: ReturnType<typeof useHouse>): void {
  const latest = useRef(work)
  latest.current = work
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey)) return
      const key = e.key.toLowerCase()
      const run =
        key === 'z' && !e.shiftKey
          ? latest.current.undo
          : key === 'y' || key === 'z'
            ? latest.current.redo
            : key === 's'
              ? () => void latest.current.save()
              : null
      if (!run) return
      e.preventDefault()
      run()
    }
    const leaving = (e: BeforeUnloadEvent) => {
      if (latest.current.changed) e.preventDefault()
    }
    addEventListener('keydown', onKey)
    addEventListener('beforeunload', leaving)
    return () => {
      removeEventListener('keydown', onKey)
      removeEventListener('beforeunload', leaving)
    }
  }, [])
}
