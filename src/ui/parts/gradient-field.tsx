'use client'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { mix } from '@/core/color/mix'
import { colorAt, gradientCss, nightGradient } from '@/core/email/gradient'
import type { Gradient } from '@/core/email/styles'
import { Button, Choice, ColorField, cx, fieldClass, NumberField, Row } from './controls'

type Stop = Gradient['stops'][number]

interface Props {
  /** Whose ground it is, for those who do not see it. */
  label: string
  value: Gradient | undefined
  /** The plain ground, which a new gradient begins with. */
  ground: string
  swatches: { name: string; value: string }[]
  onChange: (v: Gradient | undefined) => void
}

/** A new gradient: from the ground to a darker one, downwards. */
const begun = (ground: string): Gradient => ({
  angle: 180,
  stops: [
    { color: ground, at: 0 },
    { color: mix(ground, '#000000', 0.25), at: 100 },
  ],
})

/** A gradient over a plain ground: a strip of it that opens its angle and its colours, by day and at night. */
export function GradientField({ label, value, ground, swatches, onChange }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <Popover.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next)
        if (next && !value) onChange(begun(ground))
      }}
    >
      <Popover.Trigger
        aria-label={`${label}: gradient`}
        className={cx(
          fieldClass,
          'h-[26px] text-left font-sans text-soft',
          value && 'border-l-[3px] border-l-lapis',
        )}
        style={value && { backgroundImage: gradientCss({ ...value, angle: 90 }) }}
      >
        {value ? '\u00a0' : 'none'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={6}
          className="z-50 flex w-[350px] flex-col gap-2 border border-grout bg-paper p-2.5 text-xs"
        >
          {value && <Editor label={label} value={value} swatches={swatches} onChange={onChange} />}
          <Button
            look="plain"
            onClick={() => {
              setOpen(false)
              onChange(undefined)
            }}
          >
            Plain ground again
          </Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** The same as a line of the tray. */
export const GradientRow = (p: Props) => (
  <Row label="Gradient">
    <GradientField {...p} />
  </Row>
)

const ways = [
  { value: '180', label: '↓', name: 'down' },
  { value: '90', label: '→', name: 'to the right' },
  { value: '135', label: '↘', name: 'down to the right' },
  { value: '45', label: '↗', name: 'up to the right' },
]

function Editor({
  label,
  value,
  swatches,
  onChange,
}: Pick<Props, 'label' | 'swatches' | 'onChange'> & { value: Gradient }) {
  const put = (patch: Partial<Gradient>) => onChange({ ...value, ...patch })
  const setStop = (i: number, patch: Partial<Stop>) =>
    put({ stops: value.stops.map((s, k) => (k === i ? { ...s, ...patch } : s)) })
  return (
    <>
      <div className="flex gap-1" aria-hidden="true">
        <div className="h-10 flex-1 border border-grout" style={{ backgroundImage: gradientCss(value) }} />
        <div className="h-10 flex-1 border border-grout" style={{ backgroundImage: nightGradient(value) }} />
      </div>
      <Row label="Runs">
        <div className="flex gap-1">
          <Choice
            label={`${label}: way of the gradient`}
            value={String(value.angle)}
            options={ways}
            onChange={(v) => put({ angle: Number(v) })}
          />
          <NumberField
            label={`${label}: angle of the gradient, degrees`}
            value={value.angle}
            max={359}
            onChange={(angle) => put({ angle })}
            className="w-14!"
          />
        </div>
      </Row>
      <div className="grid grid-cols-[1fr_1fr_52px_24px] gap-x-1 gap-y-1.5">
        <span className="text-soft">Day</span>
        <span className="text-soft">Night</span>
        <span className="text-soft">at %</span>
        <span />
        {value.stops.map((stop, i) => (
          <StopRow
            key={i}
            name={`Colour ${i + 1} of the gradient`}
            stop={stop}
            swatches={swatches}
            onChange={(patch) => setStop(i, patch)}
            onRemove={
              value.stops.length > 2 ? () => put({ stops: value.stops.filter((_, k) => k !== i) }) : null
            }
          />
        ))}
      </div>
      {value.stops.length < 5 && (
        <Button onClick={() => put({ stops: oneMore(value) })}>One more colour</Button>
      )}
    </>
  )
}

function StopRow({
  name,
  stop,
  swatches,
  onChange,
  onRemove,
}: {
  name: string
  stop: Stop
  swatches: Props['swatches']
  onChange: (patch: Partial<Stop>) => void
  onRemove: (() => void) | null
}) {
  return (
    <>
      <ColorField
        label={name}
        value={stop.color}
        swatches={swatches}
        onChange={(color) => onChange({ color })}
      />
      <ColorField
        label={`${name} at night`}
        value={stop.nightColor ?? stop.color}
        swatches={swatches}
        own={stop.nightColor !== undefined}
        onClear={() => onChange({ nightColor: undefined })}
        onChange={(nightColor) => onChange({ nightColor })}
      />
      <NumberField
        label={`${name}: place, %`}
        value={Math.round(stop.at)}
        max={100}
        onChange={(at) => onChange({ at })}
      />
      {onRemove ? (
        <Button look="plain" aria-label={`Take ${name.toLowerCase()} out`} onClick={onRemove}>
          ×
        </Button>
      ) : (
        <span />
      )}
    </>
  )
}

/** With a colour in the widest gap. */
function oneMore(g: Gradient): Stop[] {
  const stops = [...g.stops].sort((a, b) => a.at - b.at)
  const gaps = stops.slice(1).map((s, i) => s.at - stops[i]!.at)
  const i = gaps.indexOf(Math.max(...gaps))
  const at = Math.round(stops[i]!.at + gaps[i]! / 2)
  return stops.toSpliced(i + 1, 0, { color: colorAt(g, at), at })
}
