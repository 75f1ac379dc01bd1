'use client'
import { useState } from 'react'
import { wordErrors } from '@/core/tiles/conditional/html'
import { Button, Group } from '../../parts/controls'
import { CodeField } from '../../parts/code-field-later'
import { Dialog } from '../../parts/dialog'
import type { TileProps } from './parts'

export function ConditionalGroups({ tile, set }: TileProps<'conditional'>) {
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
