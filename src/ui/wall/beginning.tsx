'use client'
import dynamic from 'next/dynamic'
import { useId } from 'react'
import { Choice, fieldClass } from '../parts/controls'
import type { From } from './from'
import type { Described } from './use-new-job'

const loading = () => <p className="text-soft">Drawing them</p>
const LayoutChoice = dynamic(() => import('../starters/layout-choice').then((m) => m.LayoutChoice), {
  ssr: false,
  loading,
})
const ShelfChoice = dynamic(() => import('../starters/shelf-choice').then((m) => m.ShelfChoice), {
  ssr: false,
  loading,
})

/** What the job begins from, and what that takes. */
export function Beginning({ job }: { job: Described }) {
  const { from, setFrom, client, width } = job
  return (
    <>
      <Choice
        label="It begins from"
        value={from.begin}
        options={[
          { value: 'design', label: 'a design' },
          { value: 'starter', label: 'a starter' },
          { value: 'shelf', label: 'the shelf' },
          { value: 'elsewhere', label: 'an email' },
          { value: 'nothing', label: 'nothing' },
        ]}
        onChange={(begin) => {
          setFrom({ begin } as From)
          job.setProblem(null)
        }}
      />
      {from.begin === 'starter' && (
        <LayoutChoice
          client={client === 'new' ? null : client}
          width={Number(width) || 600}
          chosen={from.layout}
          onChosen={(layout, name) => {
            setFrom({ begin: 'starter', layout })
            if (!job.name) job.setName(name)
          }}
        />
      )}
      {from.begin === 'shelf' && (
        <ShelfChoice
          client={client === 'new' ? null : client}
          chosen={from.kept?.id}
          onChosen={(kept) => {
            setFrom({ begin: 'shelf', kept })
            if (!job.name) job.setName(kept.name)
          }}
        />
      )}
      {from.begin === 'elsewhere' && <Elsewhere from={from} job={job} />}
    </>
  )
}

/** An email made elsewhere: its file, its source, or where it is read. */
function Elsewhere({ from, job }: { from: Extract<From, { begin: 'elsewhere' }>; job: Described }) {
  const id = useId()
  const set = (what: Partial<typeof from>) => job.setFrom({ ...from, ...what })
  return (
    <div className="flex flex-col gap-2">
      <label
        htmlFor={id}
        className="border-2 border-dashed border-grout bg-sheet p-3 focus-within:outline-2 hover:border-lapis"
      >
        <b className="block truncate font-semibold">{from.file?.name ?? 'Choose its file'}</b>
        <span className="text-soft">
          {from.file
            ? `${(from.file.size / 1024).toFixed(0)} KB`
            : 'HTML, ZIP or a message, or drop it on the page'}
        </span>
        <input
          id={id}
          type="file"
          accept=".html,.htm,.zip,.eml,text/html,application/zip,message/rfc822"
          className="sr-only"
          onChange={(e) => {
            const f = e.target.files?.[0]
            if (f) job.take(f)
          }}
        />
      </label>
      {!from.file && (
        <>
          <textarea
            aria-label="Source of the email"
            rows={4}
            className={fieldClass}
            placeholder="Or paste its source"
            value={from.source ?? ''}
            onChange={(e) => set({ source: e.target.value })}
          />
          <input
            aria-label="Address of the email"
            className={fieldClass}
            placeholder="Or the address where it is read in a browser"
            value={from.address ?? ''}
            onChange={(e) => set({ address: e.target.value })}
          />
        </>
      )}
    </div>
  )
}
