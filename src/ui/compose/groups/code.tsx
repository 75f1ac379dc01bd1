'use client'
import { useMemo, useState } from 'react'
import { scopeCode } from '#reading'
import { Button, Group } from '../../parts/controls'
import { CodeField } from '../../parts/code-field-later'
import { Dialog } from '../../parts/dialog'
import type { TileProps } from './parts'

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
