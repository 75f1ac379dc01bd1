'use client'
import dynamic from 'next/dynamic'
import { Link2, Pipette, Unlink2 } from 'lucide-react'
import { Popover, Tooltip, ToggleGroup } from 'radix-ui'
import { useEffect, useId, useRef, useState, type ButtonHTMLAttributes, type ReactNode } from 'react'
import { readHex } from '@/core/color/hex'
import { useDesignColors } from './design-colors'
import { reckoned } from '@/core/text/reckon'

const HexColorPicker = dynamic(() => import('react-colorful').then((m) => m.HexColorPicker), { ssr: false })

export const cx = (...names: (string | false | null | undefined)[]): string => names.filter(Boolean).join(' ')

/** A short explanation on hover and focus, with the shortcut where there is one. */
export function Tip({ text, keys, children }: { text: string; keys?: string; children: ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content sideOffset={5} className="z-50 max-w-72 bg-ink px-2 py-1 text-xs text-onink">
          {text}
          {keys && <kbd className="ml-2 font-mono text-[11px] opacity-80">{keys}</kbd>}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  )
}

type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & { look?: 'plain' | 'main' | 'line' | 'danger' }
const looks = {
  plain: 'text-soft hover:text-ink hover:bg-plaster',
  line: 'border border-grout bg-sheet text-ink hover:border-soft',
  main: 'bg-lapis text-onlapis hover:brightness-110',
  danger: 'text-terra hover:bg-plaster',
}

export function Button({ look = 'line', className, type = 'button', ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={cx(
        'inline-flex items-center justify-center gap-1.5 px-2.5 py-1 text-[12.5px] whitespace-nowrap',
        looks[look],
        look === 'main' && 'font-semibold',
        className,
      )}
      {...rest}
    />
  )
}

/** A button of a picture alone; its label is read aloud and shown as a tip. */
export function IconButton({
  label,
  keys,
  className,
  active,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { label: string; keys?: string; active?: boolean }) {
  return (
    <Tip text={label} keys={keys}>
      <button
        type="button"
        aria-label={label}
        aria-pressed={active}
        className={cx(
          'inline-grid h-6.5 min-w-6.5 place-items-center px-1',
          active ? 'bg-lapis text-onlapis' : 'text-soft hover:bg-plaster hover:text-ink',
          className,
        )}
        {...rest}
      />
    </Tip>
  )
}

/** A row of the tray: a label, a control, and a mark where the value is the thing's own and not inherited. */
export function Row({
  label,
  htmlFor,
  children,
  top,
  title,
}: {
  label: string
  htmlFor?: string
  title?: string | undefined
  children: ReactNode
  top?: boolean
}) {
  return (
    <div
      className={cx(
        'grid grid-cols-[68px_minmax(0,1fr)] gap-2 text-xs',
        top ? 'items-start' : 'items-center',
      )}
    >
      {htmlFor ? (
        <label htmlFor={htmlFor} className={cx('text-soft', top && 'pt-1')}>
          {label}
        </label>
      ) : (
        <span className={cx('text-soft', top && 'pt-1')} title={title}>
          {label}
        </span>
      )}
      {children}
    </div>
  )
}

/** A group of the tray. */
export function Group({
  title,
  children,
  className,
}: {
  title: string
  children: ReactNode
  className?: string
}) {
  return (
    <section className={cx('flex min-w-0 flex-col gap-1.5 border-r border-grout px-3.5 py-2.5', className)}>
      <h3 className="mb-0.5 text-[13px] leading-none">{title}</h3>
      {children}
    </section>
  )
}

export const fieldClass =
  'w-full min-w-0 border border-grout bg-sheet px-1.5 py-[3px] font-mono text-xs text-ink placeholder:text-soft/80'

interface TextProps {
  label: string
  value: string
  onChange: (v: string) => void
  placeholder?: string
  lines?: number
  plain?: boolean
  invalid?: boolean
  id?: string
  hideLabel?: boolean
  top?: boolean
}

/** One line of text, or several. */
export function TextRow({
  label,
  value,
  onChange,
  placeholder,
  lines,
  plain,
  invalid,
  id: given,
  top,
}: TextProps) {
  const made = useId()
  const id = given ?? made
  const shared = {
    id,
    value,
    placeholder,
    'aria-invalid': invalid || undefined,
    className: cx(fieldClass, plain && 'font-sans', invalid && 'border-terra'),
    onChange: (e: { target: { value: string } }) => onChange(e.target.value),
  }
  return (
    <Row label={label} htmlFor={id} top={top ?? !!lines}>
      {lines ? (
        <textarea rows={lines} {...shared} className={cx(shared.className, 'resize-none leading-snug')} />
      ) : (
        <input type="text" spellCheck={false} {...shared} />
      )}
    </Row>
  )
}

/** px of the pointer's way for a step of one. */
const SCRUB = 4

/**
 * A whole number. What is typed counts once it is one; sums such as `600/3-10` count when they are left or Enter is pressed. Arrow keys
 * step by 1, with Shift by 10; with Alt the pointer drags it.
 */
export function NumberField({
  label,
  value,
  onChange,
  min = 0,
  max = 4000,
  own,
  className,
}: {
  label: string
  value: number
  onChange: (v: number) => void
  min?: number
  max?: number
  own?: boolean
  className?: string
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const scrub = useRef<{ x: number; value: number } | null>(null)
  const set = (v: number) => onChange(Math.max(min, Math.min(max, Math.round(v))))
  const reckon = () => {
    const v = typed === null ? null : reckoned(typed)
    if (v !== null && Math.round(v) !== value) set(v)
    setTyped(null)
  }
  return (
    <input
      type="text"
      inputMode="numeric"
      role="spinbutton"
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      value={typed ?? String(Math.round(value * 100) / 100)}
      className={cx(fieldClass, 'text-center', own && 'border-l-[3px] border-l-lapis', className)}
      onFocus={(e) => e.target.select()}
      onChange={(e) => {
        setTyped(e.target.value)
        const v = Number(e.target.value)
        if (e.target.value.trim() && Number.isFinite(v) && v >= min && v <= max) set(v)
      }}
      onBlur={reckon}
      onPointerDown={(e) => {
        if (!e.altKey) return
        e.preventDefault()
        e.currentTarget.setPointerCapture(e.pointerId)
        scrub.current = { x: e.clientX, value }
      }}
      onPointerMove={(e) => {
        if (scrub.current) set(scrub.current.value + (e.clientX - scrub.current.x) / SCRUB)
      }}
      onLostPointerCapture={() => {
        scrub.current = null
      }}
      onKeyDown={(e) => {
        if (e.key === 'Enter') reckon()
        const step = (e.key === 'ArrowUp' ? 1 : e.key === 'ArrowDown' ? -1 : 0) * (e.shiftKey ? 10 : 1)
        if (step) {
          e.preventDefault()
          setTyped(null)
          set(value + step)
        }
      }}
    />
  )
}

/** A colour: its value, a swatch that opens a picker, and the house's colours. */
export function ColorField({
  label,
  value,
  onChange,
  own,
  onClear,
  note,
  swatches = [],
}: {
  label: string
  value: string
  onChange: (v: string) => void
  own?: boolean
  onClear?: () => void
  note?: string
  swatches?: { name: string; value: string }[]
}) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <div className="flex min-w-0">
      <ColorPicker label={label} value={value} swatches={swatches} onChange={onChange} />
      <input
        type="text"
        aria-label={label}
        spellCheck={false}
        value={typed ?? value}
        className={cx(fieldClass, 'border-l-0', own && 'border-l-[3px] border-l-lapis')}
        onChange={(e) => {
          setTyped(e.target.value)
          const hex = readHex(e.target.value)
          if (hex && e.target.value.replace('#', '').trim().length === 6) onChange(hex)
        }}
        onBlur={() => {
          const hex = typed === null ? null : readHex(typed)
          if (hex && hex !== value) onChange(hex)
          setTyped(null)
        }}
      />
      {own && onClear ? (
        <Tip text="Own value: press to inherit again">
          <button
            type="button"
            aria-label={`${label}: inherit again`}
            className="border border-l-0 border-grout bg-sheet px-1.5 text-[11px] text-soft hover:text-ink"
            onClick={onClear}
          >
            own
          </button>
        </Tip>
      ) : note ? (
        <span className="border border-l-0 border-grout bg-sheet px-1.5 pt-1 text-[11px] text-soft">
          {note}
        </span>
      ) : null}
    </div>
  )
}

/** Reads a colour off the screen, such as the design's, where the browser can (EyeDropper, WICG). */
function ScreenColor({ onChange }: { onChange: (v: string) => void }) {
  const Dropper = (globalThis as { EyeDropper?: new () => { open: () => Promise<{ sRGBHex: string }> } })
    .EyeDropper
  if (!Dropper) return null
  return (
    <Button
      className="mt-2 w-full"
      onClick={() =>
        void new Dropper().open().then(
          ({ sRGBHex }) => {
            const hex = readHex(sRGBHex)
            if (hex) onChange(hex)
          },
          () => {},
        )
      }
    >
      <Pipette size={13} /> Read it off the screen
    </Button>
  )
}

/** A swatch that opens a picker with the house's colours. */
function ColorPicker({
  label,
  value,
  swatches,
  onChange,
}: {
  label: string
  value: string
  swatches: { name: string; value: string }[]
  onChange: (v: string) => void
}) {
  const [open, setOpen] = useState(false)
  const design = useDesignColors(open)
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`${label}: choose a colour`}
        className="h-[26px] w-7 shrink-0 border border-grout"
        style={{ background: value }}
      />
      <Popover.Portal>
        <Popover.Content side="top" sideOffset={6} className="z-50 border border-grout bg-paper p-2.5">
          <HexColorPicker color={value} onChange={onChange} />
          <ScreenColor onChange={onChange} />
          <Swatches name="House colours" colors={swatches} onChange={onChange} />
          <Swatches
            name="Colours of the design"
            colors={design.map((color) => ({ name: 'design', value: color }))}
            onChange={onChange}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** Colours to take with one press. */
function Swatches({
  name,
  colors,
  onChange,
}: {
  name: string
  colors: readonly { name: string; value: string }[]
  onChange: (v: string) => void
}) {
  if (!colors.length) return null
  return (
    <div className="mt-2 w-[200px]" role="group" aria-label={name}>
      <p className="mb-1 text-[11px] text-soft">{name}</p>
      <div className="flex flex-wrap gap-1">
        {colors.map((s) => (
          <button
            key={s.name + s.value}
            type="button"
            aria-label={`${s.name}, ${s.value}`}
            title={`${s.name} ${s.value}`}
            className="h-6 w-6 border border-grout"
            style={{ background: s.value }}
            onClick={() => onChange(s.value)}
          />
        ))}
      </div>
    </div>
  )
}

/** One of a few, side by side. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: T
  options: readonly { value: T; label: ReactNode; name?: string }[]
  onChange: (v: T) => void
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(v) => v && onChange(v as T)}
      className="flex gap-px border border-grout bg-grout"
    >
      {options.map((o) => (
        <ToggleGroup.Item
          key={o.value}
          value={o.value}
          aria-label={o.name}
          title={o.name}
          className="flex min-h-6 min-w-0 flex-1 items-center justify-center bg-sheet px-1.5 text-[11.5px] text-ink data-[state=on]:bg-lapis data-[state=on]:text-onlapis"
        >
          {o.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

const evenSides = (v: number) => ({ top: v, right: v, bottom: v, left: v })

/** Space on four sides, around what it surrounds: each by itself, all together, or none in one press. */
export function SidesField({
  label,
  value,
  onChange,
  center,
}: {
  label: string
  value: { top: number; right: number; bottom: number; left: number }
  onChange: (v: { top: number; right: number; bottom: number; left: number }) => void
  center?: ReactNode
}) {
  const [linked, setLinked] = useState(false)
  const side = (name: 'top' | 'right' | 'bottom' | 'left', area: string) => (
    <div style={{ gridArea: area }}>
      <NumberField
        label={`${label}, ${name}, px`}
        value={value[name]}
        max={2000}
        onChange={(v) => onChange(linked ? evenSides(v) : { ...value, [name]: v })}
        className="border-transparent bg-transparent hover:border-grout focus:border-grout focus:bg-sheet"
      />
    </div>
  )
  return (
    <div
      role="group"
      aria-label={label}
      className="grid grid-cols-[44px_1fr_44px] grid-rows-3 items-center gap-0.5"
    >
      <div style={{ gridArea: '1 / 1' }} className="justify-self-start">
        <IconButton
          label={linked ? `${label}: each side by itself` : `${label}: all sides together`}
          active={linked}
          className="!h-5 !min-w-5"
          onClick={() => setLinked(!linked)}
        >
          {linked ? <Link2 size={12} /> : <Unlink2 size={12} />}
        </IconButton>
      </div>
      <div style={{ gridArea: '1 / 3' }} className="justify-self-end">
        <IconButton
          label={`${label}: none`}
          className="!h-5 !min-w-5 font-mono text-[11px]"
          disabled={Object.values(value).every((v) => v === 0)}
          onClick={() => onChange(evenSides(0))}
        >
          0
        </IconButton>
      </div>
      {side('top', '1 / 2')}
      {side('left', '2 / 1')}
      {side('right', '2 / 3')}
      {side('bottom', '3 / 2')}
      <div style={{ gridArea: '2 / 2' }} className="bg-wash px-1 py-1 text-center font-mono text-[11.5px]">
        {center ?? 'content'}
      </div>
    </div>
  )
}

/** How far long work is, with a way to stop it. */
export function Progress({
  what,
  done,
  total,
  onCancel,
}: {
  what: string
  done: number
  total: number
  onCancel?: () => void
}) {
  return (
    <div className="flex items-center gap-2 text-xs" role="status">
      <span>{what}</span>
      <progress aria-label={what} value={done} max={total || 1} className="h-1.5 w-28 accent-lapis" />
      <span className="font-mono">
        {total > 1 ? `${done} of ${total}` : `${Math.round((done / (total || 1)) * 100)} %`}
      </span>
      {onCancel && (
        <Button look="line" className="py-0.5" onClick={onCancel}>
          Cancel
        </Button>
      )}
    </div>
  )
}

/** True once the page is in a browser, for what only exists there. */
export function useMounted(): boolean {
  const [mounted, setMounted] = useState(false)
  useEffect(() => setMounted(true), [])
  return mounted
}

/** Bytes as people read them. */
export const kb = (bytes: number): string =>
  bytes < 1024
    ? `${bytes} B`
    : bytes < 1024 * 1000
      ? `${(bytes / 1024).toFixed(bytes < 10240 ? 1 : 0)} KB`
      : `${(bytes / 1048576).toFixed(1)} MB`
