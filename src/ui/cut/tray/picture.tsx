'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import { setCut } from '@/core/cut/edits'
import { splitLinks } from '@/core/cut/arrange'
import { type Cut, type Encoding } from '@/core/cut/plan'
import { Button, Choice, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { Dropdown, Tick } from '../../compose/groups/parts'
import { MarkView } from '../mark-view'
import { NarrowDialog } from '../narrow-dialog'
import { together, type CutGroup } from './cut-group'
import { Reading } from './reading'
import { type CutWork } from '../work/use-cut-work'

const ShelfDialog = dynamic(() => import('../../parts/shelf-dialog').then((m) => m.ShelfDialog), {
  ssr: false,
})

/** What the picture says and leads to, and its file. */
export function PictureGroups(props: CutGroup) {
  return (
    <div className="grid min-w-0 grid-cols-2">
      <Said {...props} />
      <FileGroup {...props} />
    </div>
  )
}

function Said({ work: w, cut }: CutGroup) {
  const [narrowing, setNarrowing] = useState(false)
  return (
    <Group title="Picture">
      <TextRow
        label="Alt text"
        plain
        lines={2}
        value={cut.alt ?? ''}
        placeholder="What the picture says"
        onChange={(v) =>
          w.change(
            'write the alt text',
            (p) => setCut(p, cut.id, { alt: v === '' ? null : v }),
            `alt-${cut.id}`,
          )
        }
      />
      {w.proposals.has(cut.id) && <Reading w={w} id={cut.id} />}
      <TextRow
        label="Link"
        value={cut.link}
        placeholder="https://"
        onChange={(v) => together(w, 'picture', 'set the link', () => ({ link: v }), `link-${cut.id}`)}
      />
      {w.selected.length === 1 && <SecondLink w={w} cut={cut} />}
      <TextRow
        label="File name"
        value={cut.name ?? ''}
        placeholder="from the alt text"
        onChange={(v) =>
          w.change(
            'name the file',
            (p) => setCut(p, cut.id, { name: v.slice(0, 60) || undefined }),
            `name-${cut.id}`,
          )
        }
      />
      <TooSmall w={w} cut={cut} onNarrow={() => setNarrowing(true)} />
      {narrowing && <NarrowDialog work={w} cut={cut} onClose={() => setNarrowing(false)} />}
    </Group>
  )
}

/** Parts the picture into two that lead to different places. */
function SecondLink({ w, cut }: { w: CutWork; cut: Cut }) {
  const [second, setSecond] = useState<string | null>(null)
  if (second === null)
    return (
      <Row label="">
        <Button className="py-0! justify-self-start" onClick={() => setSecond('')}>
          A second link beside it
        </Button>
      </Row>
    )
  return (
    <Row label="Right half">
      <span className="flex gap-1">
        <input
          aria-label="Link of the right half"
          className="w-full min-w-0 border border-grout bg-sheet px-1.5 font-mono text-xs"
          value={second}
          placeholder="https://"
          onChange={(x) => setSecond(x.target.value)}
        />
        <Button
          className="py-0!"
          onClick={() => {
            w.change('give it two links', (p) => splitLinks(p, cut.id, [cut.link, second]))
            setSecond(null)
          }}
        >
          Split
        </Button>
      </span>
    </Row>
  )
}

/** Words in the picture that nobody reads on a phone, and what helps. */
function TooSmall({ w, cut, onNarrow }: { w: CutWork; cut: Cut; onNarrow: () => void }) {
  return (
    <>
      {w.smallIn(cut).map((s) => (
        <p key={s.text} className="border-l-4 border-terra pl-2 text-[11.5px] leading-snug">
          On a phone &quot;{s.text.length > 60 ? `${s.text.slice(0, 58)}…` : s.text}&quot; is{' '}
          <span className="font-mono">{s.size}</span> px, under 14.{' '}
          <Button className="py-0!" onClick={() => void w.become([cut.id], 'words')}>
            Make it live words
          </Button>{' '}
          <Button className="py-0!" onClick={onNarrow}>
            Another picture for narrow
          </Button>
        </p>
      ))}
    </>
  )
}

type Encode = (label: string, set: Encoding) => void

function FileGroup({ work: w, cut }: CutGroup) {
  const encode: Encode = (label, set) =>
    together(w, 'picture', label, (c) => ({ encoding: { ...c.encoding, ...set } }))
  const e = cut.encoding ?? {}
  return (
    <Group title="File">
      <Row label="Format">
        <Choice
          label="Format"
          value={e.format ?? 'auto'}
          options={[
            { value: 'auto', label: 'Best' },
            { value: 'png', label: 'PNG' },
            { value: 'jpeg', label: 'JPEG' },
          ]}
          onChange={(v) => encode('set the format', { format: v === 'auto' ? undefined : v })}
        />
      </Row>
      <Density e={e} encode={encode} cut={cut} scale={w.job.design.scale} />
      <Row label="Likeness">
        <Dropdown
          label="Least likeness, SSIM"
          value={String(e.likeness ?? 0.98)}
          options={[0.9, 0.95, 0.97, 0.98, 0.99, 0.995].map((v) => ({
            value: String(v),
            label: `${v} SSIM`,
          }))}
          onChange={(v) => encode('set the likeness', { likeness: v === '0.98' ? undefined : Number(v) })}
        />
      </Row>
      <Tick
        checked={!!e.cutout}
        onChange={(cutout) => {
          encode('cut the mark out', {
            cutout: cutout || undefined,
            ...(cutout ? {} : { outline: undefined }),
          })
          if (cutout && !cut.ground) void w.readGround(cut)
        }}
      >
        The mark without its ground
      </Tick>
      {e.cutout && (
        <MarkView
          work={w}
          cut={cut}
          onOutline={(outline) => encode('outline the mark', { outline })}
          onFlat={() => encode('keep the ground', { cutout: undefined, outline: undefined })}
        />
      )}
      <Instead w={w} cut={cut} />
    </Group>
  )
}

/** How many pixels the file has for each that is shown. @param scale design px for each px of the email */
function Density({ e, encode, cut, scale }: { e: Encoding; encode: Encode; cut: Cut; scale: number }) {
  return (
    <>
      <Row label="Density">
        <Choice
          label="Density"
          value={e.width ? 'own' : String(e.density ?? 2)}
          options={[
            { value: '1', label: '1x' },
            { value: '2', label: '2x' },
            { value: '3', label: '3x' },
            { value: 'own', label: 'width' },
          ]}
          onChange={(v) =>
            encode(
              'set the density',
              v === 'own'
                ? { width: Math.round((cut.w / scale) * 2) }
                : { density: Number(v) as 1 | 2 | 3, width: undefined },
            )
          }
        />
      </Row>
      {e.width && (
        <Row label="Width, px">
          <NumberField
            label="Width of the file, px"
            value={e.width}
            min={1}
            max={cut.w}
            onChange={(width) => encode('set the width', { width })}
          />
        </Row>
      )}
    </>
  )
}

/** What is shown instead of the crop: another picture, and another on narrow. */
function Instead({ w, cut }: { w: CutWork; cut: Cut }) {
  const [shelf, setShelf] = useState(false)
  const [narrowing, setNarrowing] = useState(false)
  return (
    <>
      <span className="flex flex-wrap gap-1">
        <Button className="py-0!" onClick={() => setShelf(true)}>
          Another picture…
        </Button>
        <Button className="py-0!" onClick={() => setNarrowing(true)}>
          {cut.narrow ? 'Narrow: its own part' : 'For narrow…'}
        </Button>
        {cut.own && (
          <Button
            className="py-0!"
            onClick={() => w.change('take the crop again', (p) => setCut(p, cut.id, { own: undefined }))}
          >
            The crop again
          </Button>
        )}
      </span>
      {narrowing && <NarrowDialog work={w} cut={cut} onClose={() => setNarrowing(false)} />}
      {shelf && (
        <ShelfDialog
          client={w.job.client}
          onClose={() => setShelf(false)}
          onChosen={(own) => {
            w.change('put another picture in its place', (p) => setCut(p, cut.id, { own }))
            setShelf(false)
          }}
        />
      )}
    </>
  )
}
