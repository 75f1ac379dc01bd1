'use client'
import { useId, useState } from 'react'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { formOf } from '../../api'
import { runTask } from '../../tasks/run'
import { Button, Choice, fieldClass, Row } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'

/** What was found in what was brought in. */
export type Imported = AnswerOf<Routes['POST /api/import']>

/** Brings in an email made elsewhere: a file or pasted source. */
export function ImportDialog({
  onClose,
  onTaken,
}: {
  onClose: () => void
  onTaken: (what: Imported, as: 'hand' | 'bands') => void
}) {
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
        <FileDrop onFile={file} />
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

/** A file chosen or dropped. */
function FileDrop({ onFile }: { onFile: (file: File) => void }) {
  const id = useId()
  return (
    <label
      htmlFor={id}
      className="inline-flex w-fit border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2 focus-within:outline-lapis hover:border-soft"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault()
        const f = e.dataTransfer.files[0]
        if (f) onFile(f)
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
          if (f) onFile(f)
          e.target.value = ''
        }}
      />
    </label>
  )
}
