'use client'
import { useState } from 'react'
import type { TileOf } from '@/core/email/tile'
import type { Mark } from '@/core/tiles/marks/schema'
import { Button, Choice, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { swap } from './order'
import { aligns, LinkRow, PictureChooser, Tick, type TileProps } from './parts'

type Marks = TileOf<'marks'>
type Set = TileProps<'marks'>['set']

/** Marks begin half as wide as their picture, as those of double density are, px. */
const firstWidth = (width: number): number => Math.max(4, Math.min(300, Math.round(width / 2)))

export function MarksGroups({ tile, set }: TileProps<'marks'>) {
  const [open, setOpen] = useState(0)
  const at = Math.min(open, tile.marks.length - 1)
  const mark = tile.marks[at]
  return (
    <>
      <MarksGroup tile={tile} at={at} setOpen={setOpen} set={set} />
      {mark ? (
        <MarkGroup tile={tile} mark={mark} at={at} setOpen={setOpen} set={set} />
      ) : (
        <Group title="Mark">
          <p className="text-soft">There is none yet. Add a picture, and it can be changed here.</p>
        </Group>
      )}
      <Group title="Row">
        <Row label="Gap">
          <NumberField
            label="Gap, px"
            value={tile.gap}
            max={80}
            onChange={(gap) => set('set the gap', { gap }, 'gap')}
          />
        </Row>
        <Row label="Align">
          <Choice
            label="Alignment"
            value={tile.align}
            options={aligns}
            onChange={(align) => set('align the marks', { align })}
          />
        </Row>
      </Group>
    </>
  )
}

interface At {
  tile: Marks
  at: number
  setOpen: (i: number) => void
  set: Set
}

/** The marks of the row, and another. */
function MarksGroup({ tile, at, setOpen, set }: At) {
  return (
    <Group title="Marks">
      <div className="flex flex-wrap gap-1" role="group" aria-label="Marks of this row">
        {tile.marks.map((m, i) => (
          <Button
            key={i}
            look={i === at ? 'main' : 'line'}
            className="px-1.5! py-0.5! text-[11px]!"
            onClick={() => setOpen(i)}
          >
            {m.alt || `Mark ${i + 1}`}
          </Button>
        ))}
      </div>
      <Row label="Another">
        <PictureChooser
          label="Choose a file"
          onChosen={(picture) => {
            const made: Mark = { picture, alt: null, link: '', width: firstWidth(picture.width) }
            set('add a mark', { marks: [...tile.marks, made] })
            setOpen(tile.marks.length)
          }}
        />
      </Row>
    </Group>
  )
}

/** One mark: what it says, where it leads, how wide it is, where it stands. */
function MarkGroup({ tile, mark, at, setOpen, set }: At & { mark: Mark }) {
  const put = (patch: Partial<Mark>) =>
    set(
      'set the mark',
      { marks: tile.marks.map((m, i) => (i === at ? { ...m, ...patch } : m)) },
      `mark${at}-${Object.keys(patch)[0]}`,
    )
  const move = (to: number) => {
    set('move the mark', { marks: swap(tile.marks, at, to) })
    setOpen(to)
  }
  return (
    <Group title={mark.alt || `Mark ${at + 1}`}>
      <TextRow
        plain
        label="Alt text"
        value={mark.alt ?? ''}
        placeholder={mark.alt === '' ? 'Decoration: readers pass over it' : 'What the mark says'}
        onChange={(v) => put({ alt: v === '' ? null : v })}
      />
      <LinkRow value={mark.link} onChange={(link) => put({ link })} />
      <Tick checked={mark.alt === ''} onChange={(on) => put({ alt: on ? '' : null })}>
        Only decoration
      </Tick>
      <Row label="Width">
        <NumberField
          label="Shown width, px"
          value={mark.width}
          min={4}
          max={300}
          onChange={(width) => put({ width })}
        />
      </Row>
      <Row label="Picture">
        <PictureChooser label="Replace" onChosen={(picture) => put({ picture })} />
      </Row>
      <div className="flex gap-1">
        <Button disabled={at === 0} onClick={() => move(at - 1)}>
          Before
        </Button>
        <Button disabled={at === tile.marks.length - 1} onClick={() => move(at + 1)}>
          After
        </Button>
        <Button
          look="danger"
          onClick={() => set('take the mark out', { marks: tile.marks.filter((_, i) => i !== at) })}
        >
          Take out
        </Button>
      </div>
    </Group>
  )
}
