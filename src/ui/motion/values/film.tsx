'use client'
import { Plus, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { areaRect, clipsLength, filmLength } from '@/core/motion/film'
import { LONGEST, markStyles, TEASER, type Area, type Clip } from '@/core/motion/made'
import { Dropdown, Tick } from '../../compose/groups/parts'
import { Button, cx, ColorField, Group, IconButton, NumberField, Row, TextRow } from '../../parts/controls'
import { filmFacts, filmPicture } from '../engine'
import { seconds } from '../moving'
import { LettersOf, Measure, type ValuesProps } from './parts'

type Props = ValuesProps<'film'>

export function FilmValues(p: Props) {
  const { made, style, put } = p
  return (
    <>
      <ClipsGroup {...p} />
      <Captions {...p} />
      <Extras {...p} />
      <LettersOf made={made} style={style} put={put}>
        <Row label="Plate">
          <ColorField
            label="Plate of the captions"
            value={made.plate}
            swatches={style.colors}
            onChange={(plate) => put('set the plate', { plate }, 'plate')}
          />
        </Row>
      </LettersOf>
    </>
  )
}

/** Why a time does not fit; null where it does. @param length of what it stands in, ms; 0: not known yet */
function whyNot(
  ms: number,
  { from, to }: Pick<Clip, 'from' | 'to'>,
  end: 'in' | 'out',
  { length, of }: { length: number; of: string },
): string | null {
  if (length && ms > length) return `${of} ${(length / 1000).toFixed(2)} s long.`
  if (end === 'in' && ms >= to)
    return `It would begin after its end at ${(to / 1000).toFixed(2)} s. Move the end first.`
  if (end === 'out' && ms <= from)
    return `It would end before its beginning at ${(from / 1000).toFixed(2)} s. Move the beginning first.`
  return null
}

/** A time of the film, in seconds to the hundredth. What does not fit stays as it was typed, and changes nothing. */
function Seconds({
  label,
  ms,
  refused,
  onChange,
}: {
  label: string
  ms: number
  /** Told why what is typed does not fit; null once it does. */
  refused: (why: string | null) => void
  onChange: (ms: number) => string | null
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState(false)
  const tell = (why: string | null) => {
    setWrong(why !== null)
    refused(why)
  }
  return (
    <input
      aria-label={label}
      aria-invalid={wrong || undefined}
      className={cx(
        'w-14 border bg-sheet px-1 py-[3px] text-center font-mono text-xs text-ink',
        wrong ? 'border-terra' : 'border-grout',
      )}
      value={typed ?? (ms / 1000).toFixed(2)}
      onChange={(e) => {
        setTyped(e.target.value)
        const s = Number(e.target.value.replace(',', '.'))
        if (e.target.value.trim() && Number.isFinite(s) && s >= 0) tell(onChange(Math.round(s * 1000)))
      }}
      onBlur={() => {
        // The reason stays, so that one sees why the former time is back.
        setTyped(null)
        setWrong(false)
      }}
    />
  )
}

const Refused = ({ why }: { why: string | null }) =>
  why && (
    <p role="alert" className="text-[11.5px] leading-snug text-terra">
      {why}
    </p>
  )

/** How long the clips are together, against what people look at. */
function SumOf({ ms: sum }: { ms: number }) {
  return (
    <p
      className={cx(
        'font-mono text-[11px]',
        sum > LONGEST ? 'text-terra' : sum > TEASER ? 'text-ochre' : 'text-verdigris',
      )}
    >
      {seconds(sum)} of {LONGEST / 1000} s{sum > TEASER && sum <= LONGEST && ', more than a teaser (3 s)'}
      {sum > LONGEST && ': shorten it'}
    </p>
  )
}

/** The clips in a row, and one more or less. */
function ClipList({
  made,
  clip,
  most,
  onAt,
  put,
}: {
  made: Props['made']
  clip: Clip
  most: number
  onAt: (at: number) => void
  put: Props['put']
}) {
  return (
    <div className="flex flex-wrap gap-0.5">
      {made.clips.map((c, i) => (
        <button
          key={i}
          type="button"
          aria-pressed={c === clip}
          className={cx(
            'min-h-6.5 border border-grout px-1.5 font-mono text-[11px]',
            c === clip && 'bg-lapis text-onlapis',
          )}
          onClick={() => onAt(i)}
        >
          {(c.from / 1000).toFixed(1)} to {(c.to / 1000).toFixed(1)}
        </button>
      ))}
      <IconButton
        label="Another clip"
        disabled={made.clips.length > 11}
        onClick={() => {
          const from = Math.min(clip.to, Math.max(0, most - 500))
          put('add a clip', {
            clips: [...made.clips, { from, to: Math.min(most, from + 2000), area: clip.area }],
          })
          onAt(made.clips.length)
        }}
      >
        <Plus size={13} />
      </IconButton>
      <IconButton
        label="Take out the clip"
        disabled={made.clips.length < 2}
        onClick={() => {
          put('take out a clip', { clips: made.clips.filter((c) => c !== clip) })
          onAt(0)
        }}
      >
        <X size={13} />
      </IconButton>
    </div>
  )
}

function ClipsGroup({ made, slot, put }: Props) {
  const [at, setAt] = useState(0)
  const [end, setEnd] = useState(false)
  const [length, setLength] = useState(0)
  useEffect(
    () =>
      void filmFacts(made.film.id).then(
        (f) => setLength(f.length),
        () => {},
      ),
    [made.film.id],
  )
  const clip = made.clips[Math.min(at, made.clips.length - 1)]!
  const change = (patch: Partial<Clip>, key?: string) =>
    put(
      'change a clip',
      { clips: made.clips.map((c) => (c === clip ? { ...c, ...patch } : c)) },
      key && `${key}-${at}`,
    )
  const most = Math.max(0, length - 1)
  const [refused, setRefused] = useState<string | null>(null)
  useEffect(() => setRefused(null), [at])
  const setEdge = (end: 'in' | 'out') => (ms: number) => {
    const why = whyNot(ms, clip, end, { length, of: 'The film is only' })
    if (!why) change(end === 'in' ? { from: ms } : { to: ms }, end === 'in' ? 'from' : 'to')
    return why
  }
  return (
    <Group title="Clips">
      <p className="font-mono text-[11px] text-soft">
        {made.film.name.slice(0, 28)}, {made.width} x {made.height}, {seconds(length)}
      </p>
      <ClipList made={made} clip={clip} most={most} onAt={setAt} put={put} />
      <Row label="In, out">
        <span className="flex items-center gap-1">
          <Seconds label="In, s" ms={clip.from} refused={setRefused} onChange={setEdge('in')} />
          <Seconds label="Out, s" ms={clip.to} refused={setRefused} onChange={setEdge('out')} />
          <span className="font-mono text-[11px] text-soft">s</span>
        </span>
      </Row>
      <Refused why={refused} />
      <AreaOf
        film={made.film.id}
        size={made}
        ms={end ? Math.max(clip.from, clip.to - 1) : clip.from}
        area={end ? (clip.areaTo ?? clip.area) : clip.area}
        ratio={slot.width / Math.max(1, slot.height - (made.beneath?.height ?? 0))}
        onChange={(area) => change(end ? { areaTo: area } : { area }, end ? 'areaTo' : 'area')}
      />
      <div className="flex flex-col items-start gap-1.5 py-1">
        <Tick checked={end} onChange={setEnd}>
          at its end
        </Tick>
        {clip.areaTo && (
          <Button look="plain" onClick={() => change({ areaTo: undefined })}>
            stands still
          </Button>
        )}
      </div>
      <SumOf ms={clipsLength(made)} />
    </Group>
  )
}

/** Width that a film's picture is looked at here, px. */
const LOOK = 192

/** A canvas with the film's picture at a moment. */
function useFilmPicture(film: string, ms: number, size: { width: number; height: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    let current = true
    filmPicture(film, ms).then(
      (picture) => {
        if (current)
          canvas.current
            ?.getContext('2d')
            ?.drawImage(picture, 0, 0, LOOK, Math.round((LOOK * size.height) / size.width))
        picture.close()
      },
      () => {},
    )
    return () => {
      current = false
    }
  }, [film, ms, size.width, size.height])
  return canvas
}

const clamp = (v: number) => Math.max(0, Math.min(1, v))

/** What a key makes of an area: arrows move it, plus and minus size it. */
function areaBy(key: string, area: Area, step: number): Area | null {
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[key]
  if (by) return { ...area, x: clamp(area.x + by[0]!), y: clamp(area.y + by[1]!) }
  const grow = key === '+' ? 1.05 : key === '-' ? 1 / 1.05 : 0
  return grow ? { ...area, w: Math.max(0.02, Math.min(1, area.w * grow)) } : null
}

/** The part of the film's picture that is shown: dragged, or set by its keys. */
function AreaOf({
  film,
  size,
  ms,
  area,
  ratio,
  onChange,
}: {
  film: string
  size: { width: number; height: number }
  ms: number
  area: Area
  ratio: number
  onChange: (area: Area) => void
}) {
  const canvas = useFilmPicture(film, ms, size)
  const drag = useRef<{ x: number; y: number; area: Area } | null>(null)
  const [width, height] = [LOOK, Math.round((LOOK * size.height) / size.width)]
  const rect = areaRect(area, { width, height }, ratio)
  return (
    <div className="relative overflow-hidden" style={{ width, height }}>
      <canvas ref={canvas} width={width} height={height} className="bg-ground" />
      <button
        type="button"
        aria-label={`Area: ${Math.round(area.w * 100)} % of the width, middle at ${Math.round(area.x * 100)} and ${Math.round(area.y * 100)} %. Arrows move it, plus and minus size it.`}
        className="absolute cursor-move border-2 border-[#fff] shadow-[0_0_0_999px_rgba(20,24,27,0.55)]"
        style={{ left: rect.x, top: rect.y, width: rect.w, height: rect.h }}
        onKeyDown={(e) => {
          const next = areaBy(e.key, area, e.shiftKey ? 0.1 : 0.01)
          if (!next) return
          e.preventDefault()
          onChange(next)
        }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId)
          drag.current = { x: e.clientX, y: e.clientY, area }
        }}
        onPointerMove={(e) => {
          const d = drag.current
          if (d)
            onChange({
              ...d.area,
              x: clamp(d.area.x + (e.clientX - d.x) / width),
              y: clamp(d.area.y + (e.clientY - d.y) / height),
            })
        }}
        onLostPointerCapture={() => {
          drag.current = null
        }}
      />
      <span className="absolute right-0 bottom-0 w-12">
        <NumberField
          label="Width of the area, % of the film"
          value={Math.round(area.w * 100)}
          min={2}
          max={100}
          onChange={(w) => onChange({ ...area, w: w / 100 })}
        />
      </span>
    </div>
  )
}

function Captions({ made, put }: Props) {
  const { captions } = made
  const length = filmLength(made)
  const set = (i: number, patch: Partial<(typeof captions)[number]>, key: string) =>
    put(
      'change a caption',
      { captions: captions.map((c, k) => (k === i ? { ...c, ...patch } : c)) },
      `${key}-${i}`,
    )
  const [refused, setRefused] = useState<string | null>(null)
  const setEdge = (i: number, end: 'in' | 'out') => (ms: number) => {
    const why = whyNot(ms, captions[i]!, end, { length, of: 'What is shown is only' })
    if (!why) set(i, end === 'in' ? { from: ms } : { to: ms }, end === 'in' ? 'from' : 'to')
    return why
  }
  return (
    <Group title="Captions">
      {captions.map((c, i) => (
        <div key={i} className="flex flex-col gap-1">
          <TextRow plain label={String(i + 1)} value={c.says} onChange={(says) => set(i, { says }, 'says')} />
          <span className="flex items-center gap-1 pl-[76px]">
            <Seconds
              label={`Caption ${i + 1} from, s`}
              ms={c.from}
              refused={setRefused}
              onChange={setEdge(i, 'in')}
            />
            <Seconds
              label={`Caption ${i + 1} to, s`}
              ms={c.to}
              refused={setRefused}
              onChange={setEdge(i, 'out')}
            />
            <IconButton
              label={`Take out caption ${i + 1}`}
              onClick={() => put('take out a caption', { captions: captions.filter((_, k) => k !== i) })}
            >
              <X size={13} />
            </IconButton>
          </span>
        </div>
      ))}
      <Refused why={refused} />
      <Button
        disabled={captions.length > 19}
        onClick={() => {
          const from = Math.min(captions.at(-1)?.to ?? 0, Math.max(0, length - 500))
          put('add a caption', {
            captions: [...captions, { says: 'Caption', from, to: Math.min(length, from + 1500) }],
          })
        }}
      >
        <Plus size={13} /> Caption
      </Button>
      <TextRow
        label="Full film"
        value={made.address}
        placeholder="https:// where it is hosted"
        onChange={(address) => put('set where the film is', { address: address.trim() }, 'address')}
      />
    </Group>
  )
}

const marks = markStyles.map((s) => ({ value: s, label: s }))

type Of<K extends 'mark' | 'closing'> = Pick<Props, 'style' | 'put'> & {
  [N in K]: NonNullable<Props['made'][N]>
}

function MarkRows({ mark, style, put }: Of<'mark'>) {
  return (
    <>
      <Row label="Mark">
        <span className="flex gap-1">
          <Dropdown
            label="How the mark is drawn"
            value={mark.style}
            options={marks}
            onChange={(s) => put('choose the mark', { mark: { ...mark, style: s } })}
          />
          <NumberField
            label="Size of the mark, px"
            value={mark.size}
            min={16}
            max={200}
            onChange={(size) => put('size the mark', { mark: { ...mark, size } }, 'mark')}
          />
        </span>
      </Row>
      <Row label="Colour">
        <ColorField
          label="Colour of the mark"
          value={mark.color}
          swatches={style.colors}
          onChange={(color) => put('colour the mark', { mark: { ...mark, color } }, 'mark-color')}
        />
      </Row>
    </>
  )
}

function ClosingRows({ closing, style, put }: Of<'closing'>) {
  return (
    <>
      <Measure
        label="Stays"
        unit="ms"
        value={closing.ms}
        max={10_000}
        onChange={(ms) => put('set how long the end stays', { closing: { ...closing, ms } }, 'closing')}
      />
      <TextRow
        plain
        label="Says"
        value={closing.says}
        placeholder="Empty: the last frame"
        onChange={(says) => put('write the end', { closing: { ...closing, says } }, 'closing-says')}
      />
      <Row label="Ground">
        <ColorField
          label="Ground of the closing picture"
          value={closing.ground}
          swatches={style.colors}
          onChange={(ground) =>
            put('set the ground of the end', { closing: { ...closing, ground } }, 'closing-ground')
          }
        />
      </Row>
    </>
  )
}

function Extras({ made, style, put }: Props) {
  const { mark, closing, beneath } = made
  return (
    <Group title="Mark and end">
      <Tick
        checked={!!mark}
        onChange={(on) =>
          put('set the mark', { mark: on ? { style: 'disc', color: '#14181b', size: 64 } : null })
        }
      >
        a mark for playing
      </Tick>
      {mark && <MarkRows mark={mark} style={style} put={put} />}
      <Tick
        checked={!!closing}
        onChange={(on) =>
          put('set the end', { closing: on ? { ms: 2000, says: '', ground: '#14181b' } : null })
        }
      >
        a closing picture
      </Tick>
      {closing && <ClosingRows closing={closing} style={style} put={put} />}
      <Tick
        checked={!!beneath}
        onChange={(on) =>
          put('set the line beneath', {
            beneath: on
              ? { says: 'See the whole film', height: 36, ground: '#14181b', ink: '#ffffff' }
              : null,
          })
        }
      >
        a line beneath that leads on
      </Tick>
      {beneath && (
        <TextRow
          plain
          label="Says"
          value={beneath.says}
          onChange={(says) => put('write the line beneath', { beneath: { ...beneath, says } }, 'beneath')}
        />
      )}
    </Group>
  )
}
