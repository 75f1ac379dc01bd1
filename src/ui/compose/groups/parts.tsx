'use client'
import dynamic from 'next/dynamic'
import { withScheme } from '@/core/text/link'
import type { TilePatch } from '@/core/email/edits'
import type { TileKind, TileOf } from '@/core/email/tile'
import { AlignCenter, AlignLeft, AlignRight } from 'lucide-react'
import { useState, type ComponentType, type ReactNode } from 'react'
import type { Editor } from '@tiptap/react'
import { contrast, wantedContrast } from '@/core/color/contrast'
import { hasScheme } from '@/core/text/link'
import { trace, type Layers, type Origin, type Style } from '@/core/email/cascade'
import { safeFont, safeFonts } from '@/core/email/fonts'
import { standInNote } from '@/core/email/stand-ins'
import type { Band, Cell, Email } from '@/core/email/schema'
import type { Edge, HouseStyle, TextStyle, TextStyleOverride } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'
import {
  Button,
  Choice,
  ColorField,
  cx,
  fieldClass,
  Group,
  NumberField,
  Row,
  TextRow,
  Tip,
} from '../../parts/controls'
import { FileButton } from '../../parts/file-button'
import { putOnShelf, useShelf } from '../../parts/shelf'

const ShelfDialog = dynamic(() => import('../../parts/shelf-dialog').then((m) => m.ShelfDialog), {
  ssr: false,
})

/** What the groups of one kind of tile work with. */
export interface TileProps<K extends TileKind> {
  tile: TileOf<K>
  band: Band
  cell: Cell
  email: Email
  house: HouseStyle
  style: Style
  /** Colour behind the tile. */
  ground: string
  /** What its cell leaves it, px. */
  available: number
  /** Which state of an interactive tile is looked at, counted from 0. */
  state: number
  onState: (state: number) => void
  set: (label: string, what: TilePatch<K>, merge?: string) => void
  editor: Editor | null
  onEdit: () => void
}
export type AnyTileProps = TileProps<TileKind>

/** What the tray shows of one kind of tile. */
export interface TrayDefinition<K extends TileKind> {
  /** What the kind is called. */
  label: string
  /** The columns that its groups fill (CSS grid tracks). */
  columns: string
  Groups: ComponentType<TileProps<K>>
  /** What a new tile of the kind begins with, where that takes a moment to make. */
  begin?: (tile: TileOf<K>) => Promise<TilePatch<K>>
}

export const aligns = [
  { value: 'left' as const, label: <AlignLeft size={13} />, name: 'Left' },
  { value: 'center' as const, label: <AlignCenter size={13} />, name: 'Centre' },
  { value: 'right' as const, label: <AlignRight size={13} />, name: 'Right' },
]
export const shows = [
  { value: 'all' as const, label: 'all' },
  { value: 'wide' as const, label: 'wide' },
  { value: 'narrow' as const, label: 'narrow' },
]

/** A drop-down of a few words, for more than fit side by side. */
export function Dropdown<T extends string>({
  label,
  value,
  options,
  onChange,
  own,
}: {
  label: string
  value: T
  options: readonly { value: T; label: string }[]
  onChange: (v: T) => void
  own?: boolean
}) {
  return (
    <select
      aria-label={label}
      value={value}
      className={cx(fieldClass, 'font-sans', own && 'border-l-[3px] border-l-lapis')}
      onChange={(e) => onChange(e.target.value as T)}
    >
      {options.map((o) => (
        <option key={o.value} value={o.value}>
          {o.label}
        </option>
      ))}
    </select>
  )
}

/** A yes or no beneath other values. */
export function Tick({
  checked,
  onChange,
  children,
  disabled,
  title,
}: {
  checked: boolean
  onChange: (v: boolean) => void
  children: ReactNode
  disabled?: boolean
  title?: string
}) {
  return (
    <label className="flex min-h-5 items-center gap-1.5 text-xs text-soft" title={title}>
      <input
        type="checkbox"
        className="accent-lapis"
        checked={checked}
        disabled={disabled}
        onChange={(e) => onChange(e.target.checked)}
      />{' '}
      {children}
    </label>
  )
}

/** A link with what is wrong about it, mended in one press. */
export function LinkRow({
  value,
  onChange,
  label = 'Link',
}: {
  value: string
  onChange: (v: string) => void
  label?: string
}) {
  const wrong = value.trim() !== '' && !hasScheme(value)
  return (
    <>
      <TextRow
        label={label}
        value={value}
        placeholder="https://, mailto:, tel:"
        invalid={wrong}
        onChange={onChange}
      />
      {wrong && (
        <div className="flex flex-col gap-1 text-[11.5px] text-terra">
          <p>No scheme: it opens nowhere.</p>
          <Button className="min-w-0 py-0!" onClick={() => onChange(withScheme(value))}>
            <span className="truncate">Make it {withScheme(value)}</span>
          </Button>
        </div>
      )}
    </>
  )
}

/** Takes a picture from a file, or one that the client's shelf holds; link and alt text stay as they are. */
export function PictureChooser({
  label,
  onChosen,
  onClear,
}: {
  label: string
  onChosen: (p: PictureRef) => void
  onClear?: () => void
}) {
  const client = useShelf()
  const [problem, setProblem] = useState<string | null>(null)
  const [open, setOpen] = useState(false)
  async function take(file: File) {
    try {
      setProblem(null)
      onChosen(await putOnShelf(client, file))
    } catch (e) {
      setProblem((e as Error).message)
    }
  }
  return (
    <span className="flex flex-wrap items-center gap-1">
      <FileButton
        label={label}
        accept="image/png,image/jpeg,image/gif,image/webp"
        onFile={(f) => void take(f)}
      />
      <Button onClick={() => setOpen(true)}>Shelf…</Button>
      {onClear && (
        <Button look="plain" onClick={onClear}>
          take off
        </Button>
      )}
      {open && (
        <ShelfDialog
          client={client}
          onClose={() => setOpen(false)}
          onChosen={(p) => {
            setOpen(false)
            onChosen(p)
          }}
        />
      )}
      {problem && (
        <span role="alert" className="block w-full text-[11.5px] text-terra">
          {problem}
        </span>
      )}
    </span>
  )
}

/** How a pair of colours stands off. */
export function Contrast({
  color,
  ground,
  size,
  bold,
}: {
  color: string
  ground: string
  size: number
  bold: boolean
}) {
  const ratio = contrast(color, ground),
    wanted = wantedContrast(size, bold)
  return (
    <Row label="Contrast">
      <span className={cx('font-mono', ratio < wanted ? 'text-terra' : 'text-verdigris')}>
        {(Math.floor(ratio * 100) / 100).toFixed(2)}
        {ratio < wanted ? `, wants ${wanted}` : ' good'}
      </span>
    </Row>
  )
}

/** A colour that may be left out, for the night or a detail. */
export function MaybeColor({
  label,
  name,
  value,
  fallback,
  swatches,
  onChange,
}: {
  label: string
  name: string
  value: string | undefined
  fallback: string
  swatches: Style['colors']
  onChange: (v: string | undefined) => void
}) {
  return (
    <Row label={label}>
      <ColorField
        label={name}
        value={value ?? fallback}
        swatches={swatches}
        own={value !== undefined}
        onClear={() => onChange(undefined)}
        onChange={onChange}
      />
    </Row>
  )
}

/** The fonts a style may name: the email-safe ones and the house's web fonts. */
export const fontOptions = (style: Pick<Style, 'webFonts'>): { value: string; label: string }[] => [
  ...style.webFonts.map((w) => ({ value: w.family, label: w.family })),
  ...safeFonts.map((f) => ({ value: f, label: f[0]!.toUpperCase() + f.slice(1) })),
]

/**
 * The letters of a tile: what they end up as, each value marked where it is the tile's own and not inherited.
 */
export function Letters({
  shown,
  own,
  style,
  ground,
  layers,
  onChange,
}: {
  shown: TextStyle
  own: TextStyleOverride | undefined
  style: Style
  ground: string
  /** What the tile inherits from. */ layers: Layers<TextStyle>
  onChange: (label: string, next: TextStyleOverride | undefined, key: string) => void
}) {
  const put = (patch: TextStyleOverride) =>
    onChange('set the letters', { ...own, ...patch }, Object.keys(patch)[0]!)
  const clear = (...keys: (keyof TextStyle)[]) => {
    const rest = Object.fromEntries(
      Object.entries(own ?? {}).filter(([k]) => !keys.includes(k as keyof TextStyle)),
    )
    onChange('inherit again', Object.keys(rest).length ? rest : undefined, 'clear')
  }
  const has = (k: keyof TextStyle) => own?.[k] !== undefined
  const from = (k: keyof TextStyle) => trace(layers, own, k)?.from
  return (
    <>
      <LettersGroup
        shown={shown}
        has={has}
        style={style}
        put={put}
        clear={clear}
        from={from}
        ground={ground}
      />
      <LettersElsewhere
        shown={shown}
        has={has}
        put={put}
        clear={clear}
        own={own}
        style={style}
        layers={layers}
      />
    </>
  )
}

/** On narrow, at night, and what is the tile's own. */
function LettersElsewhere({
  shown,
  has,
  put,
  clear,
  own,
  style,
  layers,
}: {
  shown: LettersProps['shown']
  has: LettersProps['has']
  put: LettersProps['put']
  clear: LettersProps['clear']
  own: TextStyleOverride | undefined
  style: LettersProps['style']
  layers: Layers<TextStyle>
}) {
  return (
    <Group title="Letters elsewhere">
      <SizeOnNarrow shown={shown} has={has} put={put} />
      <MaybeColor
        label="Night"
        name="Colour of the words at night"
        value={own?.nightColor}
        fallback={shown.nightColor ?? shown.color}
        swatches={style.colors}
        onChange={(c) => (c ? put({ nightColor: c }) : clear('nightColor'))}
      />
      <Row label="Spacing">
        <NumberField
          label="Space between letters, px"
          value={shown.spacing ?? 0}
          min={-5}
          max={30}
          own={has('spacing')}
          onChange={(spacing) => put({ spacing })}
        />
      </Row>
      <OwnValues own={own} layers={layers} words={letterWords} onClear={(k) => clear(k)} />
    </Group>
  )
}

/** Size and line height on narrow. */
function SizeOnNarrow({ shown, has, put }: Pick<LetterRow, 'shown' | 'has' | 'put'>) {
  return (
    <Row label="Narrow">
      <div className="flex gap-1">
        <NumberField
          label="Letter size on narrow, px"
          value={shown.narrowSize ?? shown.size}
          min={6}
          max={120}
          own={has('narrowSize')}
          onChange={(narrowSize) =>
            put({ narrowSize, narrowLine: Math.round(narrowSize * (shown.line / shown.size)) })
          }
        />
        <NumberField
          label="Line height on narrow, px"
          value={shown.narrowLine ?? shown.line}
          min={6}
          max={200}
          own={has('narrowLine')}
          onChange={(narrowLine) => put({ narrowLine })}
        />
      </div>
    </Row>
  )
}

/** Font, size and colour. */
function LettersGroup({
  shown,
  has,
  style,
  put,
  clear,
  from,
  ground,
}: {
  shown: LettersProps['shown']
  has: LettersProps['has']
  style: LettersProps['style']
  put: LettersProps['put']
  clear: LettersProps['clear']
  from: (k: keyof TextStyle) => Origin | undefined
  ground: string
}) {
  return (
    <Group title="Letters">
      <Row label="Font" title={standInNote(safeFont(shown.font, style.webFonts).css) ?? undefined}>
        <Dropdown
          label="Font"
          value={shown.font}
          own={has('font')}
          options={fontOptions(style)}
          onChange={(font) => put({ font })}
        />
      </Row>
      <SizeAndLine shown={shown} has={has} put={put} clear={clear} />
      <Row label="Colour">
        <ColorField
          label="Colour of the words"
          value={shown.color}
          swatches={style.colors}
          own={has('color')}
          note={from('color')}
          onClear={() => clear('color')}
          onChange={(color) => put({ color })}
        />
      </Row>
      <Contrast color={shown.color} ground={ground} size={shown.size} bold={shown.bold} />
      <div className="flex gap-3">
        <Tick checked={shown.bold} onChange={(bold) => put({ bold })}>
          bold
        </Tick>
        <Tick checked={!!shown.italic} onChange={(italic) => put({ italic })}>
          italic
        </Tick>
        <Tick checked={!!shown.capitals} onChange={(capitals) => put({ capitals })}>
          capitals
        </Tick>
      </div>
    </Group>
  )
}

/** Size and line height, which grows with it. */
function SizeAndLine({ shown, has, put, clear }: LetterRow) {
  return (
    <Row label="Size / line">
      <div className="flex gap-1">
        <NumberField
          label="Letter size, px"
          value={shown.size}
          min={6}
          max={120}
          own={has('size')}
          onChange={(size) => put({ size, line: Math.max(shown.line, Math.round(size * 1.3)) })}
        />
        <NumberField
          label="Line height, px"
          value={shown.line}
          min={6}
          max={200}
          own={has('line')}
          onChange={(line) => put({ line })}
        />
        {(has('size') || has('line')) && (
          <Button look="plain" className="px-1! text-[11px]!" onClick={() => clear('size', 'line')}>
            inherit
          </Button>
        )}
      </div>
    </Row>
  )
}

type LetterRow = Pick<LettersProps, 'shown' | 'has' | 'put' | 'clear'>

/** What the rows of the letters share: what is shown, what is the tile's own, and how it is set. */
interface LettersProps {
  shown: TextStyle
  style: Style
  put: (patch: TextStyleOverride) => void
  clear: (...keys: (keyof TextStyle)[]) => void
  has: (k: keyof TextStyle) => boolean
}

const letterWords: Record<keyof TextStyle, string> = {
  font: 'font',
  size: 'size',
  line: 'line height',
  color: 'colour',
  bold: 'bold',
  italic: 'italic',
  spacing: 'spacing',
  capitals: 'capitals',
  narrowSize: 'narrow size',
  narrowLine: 'narrow line',
  nightColor: 'night colour',
}
const origins: Record<Origin, string> = {
  house: 'the house style',
  email: 'the email',
  role: "the band's role",
  tile: 'the tile',
}

/**
 * Every value that a tile has of its own, with what it covers and where that comes from; a press clears it.
 */
export function OwnValues<T extends object>({
  own,
  layers,
  words,
  onClear,
}: {
  own: Partial<T> | undefined
  layers: Layers<T>
  words: Record<keyof T, string>
  onClear: (key: keyof T) => void
}) {
  const keys = (Object.keys(own ?? {}) as (keyof T)[]).filter((k) => own![k] !== undefined)
  if (!keys.length) return <p className="text-[11px] text-soft">Every value is inherited.</p>
  return (
    <div
      role="group"
      aria-label="Own values"
      className="flex flex-wrap items-center gap-1 text-[11px] text-soft"
    >
      own:
      {keys.map((k) => {
        const beneath = trace(layers, undefined, k)
        const back = beneath ? `${String(beneath.value)} from ${origins[beneath.from]}` : 'nothing'
        return (
          <Tip key={String(k)} text={`Clear it: ${back} counts again`}>
            <button
              type="button"
              aria-label={`Clear own ${words[k]}: ${back} counts again`}
              className="border border-grout bg-sheet px-1 text-ink hover:border-terra"
              onClick={() => onClear(k)}
            >
              {words[k]} <span aria-hidden>×</span>
            </button>
          </Tip>
        )
      })}
    </div>
  )
}

/** A border, or none. */
export function EdgeRow({
  label,
  value,
  swatches,
  onChange,
}: {
  label: string
  value: Edge | undefined
  swatches: Style['colors']
  onChange: (e: Edge | undefined) => void
}) {
  const edge = value ?? { width: 1, style: 'solid' as const, color: '#d5d5d5' }
  return (
    <>
      <Row label={label}>
        <div className="flex gap-1">
          <NumberField
            label={`${label}: thickness, px`}
            value={value?.width ?? 0}
            max={20}
            onChange={(width) => onChange(width ? { ...edge, width } : undefined)}
            className="w-12!"
          />
          <Choice
            label={`${label}: line`}
            value={edge.style}
            options={[
              { value: 'solid', label: '—', name: 'solid' },
              { value: 'dashed', label: '┄', name: 'dashed' },
              { value: 'dotted', label: '···', name: 'dotted' },
            ]}
            onChange={(s) => onChange({ ...edge, style: s })}
          />
        </div>
      </Row>
      {value && (
        <Row label="its colour">
          <ColorField
            label={`${label}: colour`}
            value={value.color}
            swatches={swatches}
            onChange={(color) => onChange({ ...value, color })}
          />
        </Row>
      )}
    </>
  )
}

/** Sets the own letters of a tile whose kind keeps them in `style`. */
export const setLetters =
  (set: (label: string, what: { style: TextStyleOverride | undefined }, merge?: string) => void) =>
  (label: string, style: TextStyleOverride | undefined, key: string) =>
    set(label, { style }, `letters-${key}`)
