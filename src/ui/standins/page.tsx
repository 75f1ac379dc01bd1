'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import type { ReactNode } from 'react'
import { toast } from '../parts/toast'
import { call } from '../api'
import { Choice } from '../parts/controls'
import { Mark } from '../parts/mark'

const modes = [
  { value: 'ok' as const, label: 'works' },
  { value: 'slow' as const, label: 'slow' },
  { value: 'refuse' as const, label: 'refuses' },
  { value: 'expire' as const, label: 'token ended' },
  { value: 'mangle' as const, label: 'garbles' },
]
/** Ways in which answers alone fail: readers refuse them. */
const refusedModes = [
  { value: 'headers' as const, label: 'no headers', name: 'Without the headers that readers want' },
  { value: 'other' as const, label: 'other sender', name: 'For another sender' },
  { value: 'redirect' as const, label: 'redirects' },
]
export type Mode = (typeof modes)[number]['value'] | (typeof refusedModes)[number]['value']

/** The frame of a stand-in's page: what it stands for, and how it behaves. */
export function StandinPage({
  standin,
  title,
  about,
  mode,
  list,
  children,
}: {
  standin: 'inbox' | 'platform' | 'answers'
  title: string
  about: string
  mode: Mode
  list: ReactNode
  children: ReactNode
}) {
  const router = useRouter()
  const set = (m: Mode) =>
    void call('PUT /api/standins/:standin/mode', { params: { standin }, body: { mode: m } }).then(
      () => {
        router.refresh()
        toast(
          m === 'ok'
            ? 'Works as it should again'
            : 'Set. Deliveries will now fail so; set it back when you are done.',
        )
      },
      (e: Error) => toast.error(e.message),
    )
  return (
    <div className="grid h-dvh min-w-[900px] grid-cols-[300px_minmax(0,1fr)] grid-rows-[48px_minmax(0,1fr)]">
      <header className="col-span-2 flex items-center gap-4 border-b border-grout bg-paper px-4">
        <Link href="/" aria-label="Back to the wall" className="p-1.5">
          <Mark />
        </Link>
        <div className="leading-tight">
          <h1 className="text-base">{title}</h1>
          <p className="text-[11.5px] text-soft">{about}</p>
        </div>
        <span className="ml-auto flex items-center gap-2 text-xs text-soft">
          This stand-in{' '}
          <span className={standin === 'answers' ? 'w-[640px]' : 'w-[430px]'}>
            <Choice<Mode>
              label="How the stand-in behaves"
              value={mode}
              options={standin === 'answers' ? [...modes, ...refusedModes] : modes}
              onChange={set}
            />
          </span>
        </span>
      </header>
      <nav aria-label="What arrived" className="min-h-0 overflow-y-auto border-r border-grout">
        {list}
      </nav>
      <main className="flex min-h-0 min-w-0 flex-col bg-ground">{children}</main>
    </div>
  )
}
