'use client'
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  Copy,
  Crop,
  Expand,
  Lock,
  LockOpen,
  Pipette,
} from 'lucide-react'
import { useState } from 'react'
import { placeCut, setCut, splitLinks, type Alignment } from '@/core/cut/edits'
import { cutKinds, type Cut, type Encoding, type Lettering } from '@/core/cut/plan'
import { plainOf, textOf } from '@/core/email/richtext'
import type { ButtonStyle, TextStyle } from '@/core/email/styles'
import { placeOf } from '@/core/email/walk'
import type { BenchJob } from '../bench/types'
import {
  Button,
  Choice,
  ColorField,
  cx,
  Group,
  IconButton,
  kb,
  NumberField,
  Row,
  TextRow,
} from '../parts/controls'
import { Dropdown, fontOptions, Tick } from '../compose/groups/parts'
import { ShelfDialog } from '../parts/shelf'
import { kindNames, partNames } from './kinds'
import { MarkView } from './mark-view'
import { NarrowDialog } from './narrow-dialog'
import type { CutWork } from './work'

interface Props {
  work: CutWork
  onTrim: () => void
  onExtend: () => void
  onAlign: (by: Alignment) => void
  onDistribute: (way: 'across' | 'down') => void
  onLock: () => void
  onDuplicate: () => void
  onPick: () => void
  onFiles: () => void
  onJob: (j: BenchJob) => void
}

/** What is selected, and its figures. */
export function CutTray(p: Props) {
  const { work: w } = p
  const { current } = w
  if (!current) return <Overview {...p} />
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[196px_196px_minmax(0,1fr)_minmax(190px,230px)] overflow-y-auto">
      <Becomes {...p} cut={current} />
      <Place {...p} cut={current} />
      {current.kind === 'picture' ? (
        <PictureGroups {...p} cut={current} />
      ) : current.kind === 'words' || current.kind === 'button' ? (
        <WordsGroups {...p} cut={current} />
      ) : (
        <Group title={kindNames[current.kind]}>
          <p className="text-soft">
            {
              {
                rule: 'A line across, in the colour and thickness of the design.',
                flat: 'The band shows its ground colour at this height.',
                nothing: 'It is left out of the email; its room is kept as space.',
              }[current.kind]
            }
          </p>
        </Group>
      )}
      {current.kind === 'picture' ? (
        <Weight {...p} cut={current} />
      ) : current.kind === 'nothing' ? (
        <Group title="Ground">
          <p className="text-soft">None.</p>
        </Group>
      ) : (
        <GroundGroup {...p} cut={current} />
      )}
    </div>
  )
}

function Becomes({ work: w, onLock, onDuplicate, cut }: Props & { cut: Cut }) {
  return (
    <Group title="Becomes">
      <div
        role="radiogroup"
        aria-label="What the cut becomes"
        className="grid grid-cols-3 gap-px border border-grout bg-grout"
      >
        {cutKinds.map((k, i) => (
          <button
            key={k}
            type="button"
            role="radio"
            aria-checked={cut.kind === k}
            title={`${kindNames[k]} (${i + 1})`}
            className={cx(
              'min-h-6 px-1 text-[11px]',
              cut.kind === k ? 'bg-lapis text-onlapis' : 'bg-sheet text-ink',
            )}
            onClick={() => void w.become(w.selected, k)}
          >
            {k === 'flat' ? 'Flat' : kindNames[k]}
          </button>
        ))}
      </div>
      {cut.seen && (
        <p className="text-[11.5px] leading-snug text-soft">
          Taken for {partNames[cut.seen.part]},{' '}
          <span className="font-mono">{Math.round(cut.seen.sure * 100)} %</span> sure.
        </p>
      )}
      {cut.since && (
        <p className="text-[11.5px] text-terra">
          {cut.since === 'moved' ? 'It moved in the new design.' : 'It changed in the new design.'}{' '}
          <Button
            className="py-0!"
            onClick={() => w.change('look it over', (p) => setCut(p, cut.id, { since: undefined }))}
          >
            Looked over
          </Button>
        </p>
      )}
      <span className="flex">
        <IconButton
          label={cut.locked ? 'Unlock' : 'Lock: neither moved nor found anew'}
          keys="L"
          active={!!cut.locked}
          onClick={onLock}
        >
          {cut.locked ? <Lock size={14} /> : <LockOpen size={14} />}
        </IconButton>
        <IconButton label="Duplicate" keys="Ctrl D" onClick={onDuplicate}>
          <Copy size={14} />
        </IconButton>
      </span>
    </Group>
  )
}

const aligning = [
  ['left', AlignStartVertical],
  ['center', AlignCenterVertical],
  ['right', AlignEndVertical],
  ['top', AlignStartHorizontal],
  ['middle', AlignCenterHorizontal],
  ['bottom', AlignEndHorizontal],
] as const

function Place({ work: w, cut, onTrim, onExtend, onAlign, onDistribute }: Props & { cut: Cut }) {
  const { design } = w.job
  const several = w.selected.length > 1
  return (
    <Group title="Place in the design">
      <div className="grid grid-cols-2 gap-x-2 gap-y-1.5">
        {(
          [
            ['Left', 'x'],
            ['Top', 'y'],
            ['Width', 'w'],
            ['Height', 'h'],
          ] as const
        ).map(([label, k]) => (
          <div key={k} className="grid grid-cols-[34px_1fr] items-center gap-1 text-xs text-soft">
            {label}
            <NumberField
              label={`${label}, px`}
              value={cut[k]}
              max={k === 'x' || k === 'w' ? design.width : design.height}
              onChange={(v) =>
                w.change('place a cut', (p) => placeCut(p, cut.id, { ...cut, [k]: v }, w.size), `place-${k}`)
              }
            />
          </div>
        ))}
      </div>
      <p className="font-mono text-[11px] text-soft">
        {Number((cut.w / design.scale).toFixed(1))} x {Number((cut.h / design.scale).toFixed(1))} px shown
      </p>
      <span className="flex flex-wrap">
        {several ? (
          <>
            {aligning.map(([by, Icon]) => (
              <IconButton key={by} label={`Align: ${by}`} onClick={() => onAlign(by)}>
                <Icon size={14} />
              </IconButton>
            ))}
            <IconButton
              label="Equal spaces across"
              disabled={w.selected.length < 3}
              onClick={() => onDistribute('across')}
            >
              <AlignHorizontalSpaceBetween size={14} />
            </IconButton>
            <IconButton
              label="Equal spaces down"
              disabled={w.selected.length < 3}
              onClick={() => onDistribute('down')}
            >
              <AlignVerticalSpaceBetween size={14} />
            </IconButton>
          </>
        ) : (
          <>
            <IconButton label="Trim to the content" keys="T" onClick={onTrim}>
              <Crop size={14} />
            </IconButton>
            <IconButton label="Extend to the neighbours" keys="E" onClick={onExtend}>
              <Expand size={14} />
            </IconButton>
          </>
        )}
      </span>
    </Group>
  )
}

/** Sets something of every selected cut of this kind at once. */
const together = (
  w: CutWork,
  kind: Cut['kind'],
  label: string,
  set: (c: Cut) => Partial<Cut>,
  merge?: string,
) =>
  w.change(
    label,
    (p) =>
      w.selected.reduce((q, id) => {
        const c = q.cuts.find((x) => x.id === id)
        return c && c.kind === kind ? setCut(q, id, set(c)) : q
      }, p),
    merge,
  )

function PictureGroups({ work: w, cut }: Props & { cut: Cut }) {
  const [shelf, setShelf] = useState(false)
  const [narrowing, setNarrowing] = useState(false)
  const [second, setSecond] = useState<string | null>(null)
  const small = w.smallIn(cut)
  const encode = (label: string, set: Encoding) =>
    together(w, 'picture', label, (c) => ({ encoding: { ...c.encoding, ...set } }))
  const e = cut.encoding ?? {}
  const proposal = w.proposals.get(cut.id)
  return (
    <div className="grid min-w-0 grid-cols-2">
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
        {proposal && <Reading w={w} id={cut.id} />}
        <TextRow
          label="Link"
          value={cut.link}
          placeholder="https://"
          onChange={(v) => together(w, 'picture', 'set the link', () => ({ link: v }), `link-${cut.id}`)}
        />
        {w.selected.length === 1 &&
          (second === null ? (
            <Row label="">
              <Button className="py-0! justify-self-start" onClick={() => setSecond('')}>
                A second link beside it
              </Button>
            </Row>
          ) : (
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
          ))}
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
        {small.map((s) => (
          <p key={s.text} className="border-l-4 border-terra pl-2 text-[11.5px] leading-snug">
            On a phone &quot;{s.text.length > 60 ? `${s.text.slice(0, 58)}…` : s.text}&quot; is{' '}
            <span className="font-mono">{s.size}</span> px, under 14.{' '}
            <Button className="py-0!" onClick={() => void w.become([cut.id], 'words')}>
              Make it live words
            </Button>{' '}
            <Button className="py-0!" onClick={() => setNarrowing(true)}>
              Another picture for narrow
            </Button>
          </p>
        ))}
      </Group>
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
                  ? { width: Math.round((cut.w / w.job.design.scale) * 2) }
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
      </Group>
    </div>
  )
}

/** Words that were read off the picture, to be taken, changed or left. */
function Reading({ w, id }: { w: CutWork; id: string }) {
  const r = w.proposals.get(id)!
  return (
    <div className="border-l-4 border-verdigris pl-2 text-[11.5px] leading-snug">
      <p className="max-h-14 overflow-y-auto whitespace-pre-line">{r.text}</p>
      <span className="mt-1 flex items-center gap-1">
        <Button className="py-0!" onClick={() => w.takeProposals([id])}>
          Take it
        </Button>
        <Button look="plain" className="py-0!" onClick={() => w.dropProposals([id])}>
          Leave it
        </Button>
        <span className="font-mono text-soft">{Math.round(r.sure * 100)} % sure</span>
      </span>
    </div>
  )
}

/** How the words of a cut come out in the email, wherever in it they stand. */
function styleOf(w: CutWork, id: string): Partial<TextStyle & ButtonStyle> | undefined {
  const tile = w.result && placeOf(w.result.email, `t-${id}`)?.tile
  return tile?.kind === 'words' || tile?.kind === 'button' ? tile.style : undefined
}

/** What was measured of them, to begin with when one thing of it is set by hand. */
function measured(w: CutWork, id: string): Lettering {
  const { size = 16, font, bold, italic, spacing } = styleOf(w, id) ?? {}
  return {
    size,
    ...(font ? { font } : {}),
    ...(bold === undefined ? {} : { bold }),
    ...(italic ? { italic } : {}),
    ...(spacing ? { spacing } : {}),
  }
}

function WordsGroups({ work: w, cut }: Props & { cut: Cut }) {
  const l = cut.lettering
  const letters = (label: string, set: Partial<NonNullable<Cut['lettering']>>) =>
    together(
      w,
      cut.kind,
      label,
      (c) => ({ lettering: { ...measured(w, c.id), ...c.lettering, ...set } }),
      `letters-${Object.keys(set).join()}`,
    )
  const box = cut.box
  const shown = styleOf(w, cut.id)
  return (
    <div className="grid min-w-0 grid-cols-2">
      <Group title={cut.kind === 'button' ? 'Button' : 'Words'}>
        <TextRow
          label="Words"
          plain
          lines={cut.kind === 'button' ? 1 : 4}
          value={cut.words ? plainOf(cut.words) : ''}
          placeholder="Type or paste the words. A blank line begins a new paragraph."
          onChange={(v) =>
            w.change(
              'write the words',
              (p) => setCut(p, cut.id, { words: v.trim() ? textOf(v) : null }),
              `words-${cut.id}`,
            )
          }
        />
        {w.proposals.has(cut.id) ? (
          <Reading w={w} id={cut.id} />
        ) : (
          <Button className="self-start py-0!" disabled={!!w.work} onClick={() => void w.readWords([cut])}>
            Read them from the design
          </Button>
        )}
        {cut.kind === 'button' && (
          <TextRow
            label="Link"
            value={cut.link}
            placeholder="https://"
            onChange={(v) => together(w, 'button', 'set the link', () => ({ link: v }), `link-${cut.id}`)}
          />
        )}
      </Group>
      <Group title="Letters">
        {l?.designFont && (
          <p className="truncate text-[11.5px] text-soft" title={l.designFont}>
            In the design: {l.designFont}
          </p>
        )}
        <Row label="Font">
          <Dropdown
            label="Font"
            value={l ? (l.font ?? '') : (shown?.font ?? '')}
            options={[{ value: '', label: 'of the house' }, ...fontOptions(w.job.client.house)]}
            onChange={(v) => letters('set the font', { font: v || undefined })}
          />
        </Row>
        <div className="grid grid-cols-2 gap-2">
          <Row label="Size">
            <NumberField
              label="Letter size, px"
              own={!!l}
              value={l?.size ?? shown?.size ?? 16}
              min={4}
              max={120}
              onChange={(size) => letters('set the size', { size })}
            />
          </Row>
          {cut.kind === 'words' && (
            <Row label="Line">
              <NumberField
                label="Line height, px"
                own={!!l?.line}
                value={l?.line ?? shown?.line ?? 24}
                min={4}
                max={200}
                onChange={(line) => letters('set the line height', { line })}
              />
            </Row>
          )}
        </div>
        <Row label="Colour">
          <ColorField
            label="Colour of the letters"
            own={!!l?.color}
            value={l?.color ?? shown?.color ?? '#222222'}
            swatches={w.job.client.house.colors}
            onChange={(color) => letters('set the colour', { color })}
          />
        </Row>
        <Tick
          checked={l?.bold ?? shown?.bold ?? false}
          onChange={(bold) => letters('set the weight', { bold })}
        >
          Bold
        </Tick>
        {box && (
          <div className="grid grid-cols-[1fr_84px] gap-2">
            <ColorField
              label="Colour of the button"
              value={box.background}
              swatches={w.job.client.house.colors}
              onChange={(background) =>
                w.change(
                  'set the button colour',
                  (p) => setCut(p, cut.id, { box: { ...box, background } }),
                  'box',
                )
              }
            />
            <NumberField
              label="Radius, px"
              value={box.radius}
              max={200}
              onChange={(radius) =>
                w.change('set the radius', (p) => setCut(p, cut.id, { box: { ...box, radius } }), 'radius')
              }
            />
          </div>
        )}
        {l && (
          <Button
            className="self-start py-0!"
            onClick={() =>
              together(w, cut.kind, 'measure the letters again', () => ({ lettering: undefined }))
            }
          >
            As measured in the design
          </Button>
        )}
      </Group>
    </div>
  )
}

function Weight({ work: w, cut }: Props & { cut: Cut }) {
  const f = w.figureOf(cut)
  return (
    <Group title="Weight">
      {f ? (
        <dl className="grid grid-cols-[78px_1fr] gap-y-1 font-mono text-[11.5px]">
          <dt className="font-sans text-soft">This cut</dt>
          <dd data-bytes={f.picture.bytes} className={cx(f.picture.bytes > w.budget.each && 'text-terra')}>
            {kb(f.picture.bytes)} {f.picture.type.slice(6).toUpperCase()}
          </dd>
          {f.narrow && (
            <>
              <dt className="font-sans text-soft">On narrow</dt>
              <dd>
                {kb(f.narrow.picture.bytes)}, {f.narrow.picture.width} x {f.narrow.picture.height}
              </dd>
            </>
          )}
          <dt className="font-sans text-soft">Saved</dt>
          <dd>
            {f.plain > f.picture.bytes
              ? `${kb(f.plain - f.picture.bytes)}, ${Math.round((1 - f.picture.bytes / f.plain) * 100)} %`
              : 'nothing'}
          </dd>
          <dt className="font-sans text-soft">Real size</dt>
          <dd>
            {f.picture.width} x {f.picture.height}
          </dd>
          <dt className="font-sans text-soft">Likeness</dt>
          <dd>{f.likeness.toFixed(3)} SSIM</dd>
          <dt className="font-sans text-soft">All pictures</dt>
          <dd className={cx(w.total > w.budget.all && 'text-terra')}>
            {kb(w.total)} of {kb(w.budget.all)}
          </dd>
        </dl>
      ) : (
        <p className="text-soft">Being weighed…</p>
      )}
    </Group>
  )
}

function GroundGroup({ work: w, cut, onPick }: Props & { cut: Cut }) {
  const g = w.groundAt(cut)
  const uneven = g && g.share < 0.85
  return (
    <Group title="Ground">
      <Row label="Colour">
        <ColorField
          label="Ground colour"
          value={cut.ground ?? '#ffffff'}
          swatches={w.job.client.house.colors}
          onChange={(v) =>
            w.change('set the ground colour', (p) => setCut(p, cut.id, { ground: v }), `ground-${cut.id}`)
          }
        />
      </Row>
      <span className="flex gap-1">
        <Button className="py-0!" onClick={() => void w.readGround(cut)}>
          Read it again
        </Button>
        <IconButton label="Pick it from the design" keys="I" onClick={onPick}>
          <Pipette size={14} />
        </IconButton>
      </span>
      {uneven && (
        <p className="border-l-4 border-ochre pl-2 text-[11.5px] leading-snug">
          Only {Math.round(g.share * 100)} % of its edge has one colour: a slope of colour or a texture. As
          live words it stands on {g.color} alone.{' '}
          <Button className="py-0!" onClick={() => void w.become([cut.id], 'picture')}>
            Keep it a picture
          </Button>
        </p>
      )}
      {w.seams
        .filter(({ a, b }) => a.id === cut.id || b.id === cut.id)
        .map(({ a, b, difference }) => {
          const other = a.id === cut.id ? b : a
          return (
            <p key={other.id} className="flex flex-wrap items-center gap-1 text-[11.5px] text-ochre">
              Nearly that of cut {w.order.findIndex((c) => c.id === other.id) + 1} ({difference.toFixed(2)} by
              CIEDE2000): a seam may show.{' '}
              <Button
                className="py-0!"
                onClick={() =>
                  w.change('make two grounds one', (p) => setCut(p, cut.id, { ground: other.ground }))
                }
              >
                Make it {other.ground}
              </Button>
            </p>
          )
        })}
    </Group>
  )
}

function Overview({ work: w, onFiles }: Props) {
  const { plan, job } = w
  const count = (k: Cut['kind']) => plan.cuts.filter((c) => c.kind === k).length
  const small = w.pictures.filter((c) => w.smallIn(c).length)
  const flagged = plan.cuts.filter((c) => c.since)
  return (
    <div className="grid min-h-0 flex-1 grid-cols-4 overflow-y-auto">
      <Group title="How cutting goes">
        <p className="leading-snug text-soft">
          Find the parts, or draw a cut on the design. Drag an edge: the neighbour gives way. Hold Alt to move
          one side alone. What was left out is hatched; flat ground between cuts becomes space.
        </p>
      </Group>
      <Group title="The design">
        <dl className="grid grid-cols-[66px_1fr] gap-y-1 text-[11.5px]">
          <dt className="text-soft">File</dt>
          <dd className="truncate" title={job.design.name}>
            {job.design.name}
          </dd>
          <dt className="text-soft">Pixels</dt>
          <dd className="font-mono">
            {job.design.width} x {job.design.height}
          </dd>
          <dt className="text-soft">Density</dt>
          <dd className="font-mono">
            {Number(job.design.scale.toFixed(3))}x for {job.width} px
          </dd>
          <dt className="text-soft">Narrow</dt>
          <dd className="truncate">{job.narrow?.name ?? 'none'}</dd>
        </dl>
        <Button className="self-start py-0!" onClick={onFiles}>
          Replace, pair, or hand out…
        </Button>
      </Group>
      <Group title="The plan">
        <dl className="grid grid-cols-[90px_1fr] gap-y-1 font-mono text-[11.5px]">
          <dt className="font-sans text-soft">Pictures</dt>
          <dd className={cx(w.total > w.budget.all && 'text-terra')}>
            {count('picture')}, {kb(w.total)}
          </dd>
          <dt className="font-sans text-soft">Live</dt>
          <dd>
            {count('words')} words, {count('button')} buttons, {count('rule')} rules
          </dd>
          <dt className="font-sans text-soft">Flat, nothing</dt>
          <dd>
            {count('flat')}, {count('nothing')}
          </dd>
          <dt className="font-sans text-soft">Bands</dt>
          <dd>{plan.edges.length ? plan.edges.length + 1 : 'one for each row'}</dd>
          <dt className="font-sans text-soft">Left out</dt>
          <dd>{w.left.length ? `${w.left.length} areas` : 'nothing'}</dd>
        </dl>
      </Group>
      <Group title="Notes">
        {w.trouble && <p className="text-terra">{w.trouble}</p>}
        {flagged.length > 0 && (
          <p className="text-terra">
            {flagged.length} cuts moved or changed with the new design.{' '}
            <Button className="py-0!" onClick={() => w.select(flagged[0]!.id)}>
              Show the first
            </Button>
          </p>
        )}
        {small.length > 0 && (
          <p className="text-terra">
            {small.length} {small.length === 1 ? 'picture has' : 'pictures have'} words too small for a phone.{' '}
            <Button className="py-0!" onClick={() => w.select(small[0]!.id)}>
              Show the first
            </Button>
          </p>
        )}
        {w.result?.notes.map((n) => (
          <p key={n} className="text-terra">
            {n}
          </p>
        ))}
        {!w.trouble && !flagged.length && !small.length && !w.result?.notes.length && (
          <p className="text-soft">Nothing stands in the way of building.</p>
        )}
      </Group>
    </div>
  )
}
