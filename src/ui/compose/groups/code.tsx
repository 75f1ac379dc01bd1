'use client'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { scopeCode } from '@/core/tiles/code/html'
import { wordErrors } from '@/core/tiles/word/html'
import { Button, Group } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import type { TileProps } from './parts'

const CodeField = dynamic(() => import('../../parts/code-field'), {
  ssr: false,
  loading: () => <p className="text-soft">Loading the editor</p>,
})

export function CodeGroups({ tile, set }: TileProps<'code'>) {
  const [open, setOpen] = useState(false)
  const { notes } = useMemo(() => scopeCode(tile), [tile])
  return (
    <>
      <Group title="Your own markup">
        <Button look="main" onClick={() => setOpen(true)}>
          Edit the code
        </Button>
        <p className="font-mono text-[11px] text-soft">
          {tile.html.length} characters of HTML, {tile.css.length} of CSS
        </p>
        <p className="text-[11.5px] text-soft">
          Its style sheet counts inside it alone, and is written into its elements.
        </p>
      </Group>
      <Group title="Left out" className="overflow-y-auto">
        {notes.length ? (
          <ul className="list-disc pl-4 text-[11.5px] text-terra">
            {notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        ) : (
          <p className="text-[11.5px] text-verdigris">Nothing: it leaves as it is written.</p>
        )}
      </Group>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Your own markup"
        about="What cannot stand in an email is left out, and said in the tray."
        wide
      >
        <div className="flex flex-col gap-2">
          <CodeField
            label="HTML"
            language="html"
            value={tile.html}
            height="240px"
            onChange={(html) => set('write the code', { html }, 'html')}
          />
          <CodeField
            label="CSS"
            language="css"
            value={tile.css}
            height="140px"
            onChange={(css) => set('write the style sheet', { css }, 'css')}
          />
        </div>
      </Dialog>
    </>
  )
}

export function WordGroups({ tile, set }: TileProps<'word'>) {
  const [open, setOpen] = useState(false)
  const errors = wordErrors(tile.word)
  return (
    <>
      <Group title="For the Word engine">
        <Button look="main" onClick={() => setOpen(true)}>
          Edit both markups
        </Button>
        <p className="font-mono text-[11px] text-soft">
          {tile.word.length} characters for it, {tile.others.length} for all others
        </p>
        {errors.length > 0 && (
          <p role="alert" className="text-[11.5px] text-terra">
            Left out: {errors[0]}.
          </p>
        )}
      </Group>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Two markups, one place"
        about="The first stands in a condition that only the Word engine reads; the second is what every other reader shows."
        wide
      >
        <div className="flex flex-col gap-2">
          <CodeField
            label="For the Word engine"
            language="html"
            value={tile.word}
            height="180px"
            onChange={(word) => set('write for the Word engine', { word }, 'word')}
          />
          <CodeField
            label="For all others"
            language="html"
            value={tile.others}
            height="180px"
            onChange={(others) => set('write for all others', { others }, 'others')}
          />
        </div>
      </Dialog>
    </>
  )
}
