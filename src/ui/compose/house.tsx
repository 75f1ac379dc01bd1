'use client'
import { useDeferredValue, useMemo, useState } from 'react'
import { toast } from 'sonner'
import { starterEmail, starterLayouts } from '@/core/starters'
import { safeFonts, type WebFont } from '@/core/email/fonts'
import { textStyleNames, type HouseStyle, type TextStyleName } from '@/core/email/styles'
import { call } from '../api'
import type { BenchJob } from '../bench/types'
import { Button, ColorField, fieldClass, NumberField, TextRow } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import { fontOptions, Dropdown, Tick } from './groups/parts'
import { HouseFile } from './house-file'
import { PageLooks } from './page-looks'
import { Miniature } from '../starters/miniature'

type SetHouse = (change: (h: HouseStyle) => HouseStyle) => void

const names: Record<TextStyleName, string> = {
  body: 'Body',
  small: 'Small',
  heading1: 'Heading 1',
  heading2: 'Heading 2',
  heading3: 'Heading 3',
}

/** The client's house style: every email that inherits from it follows, and it says how many. */
export function HouseStyleDialog({
  job,
  onSaved,
  onClose,
}: {
  job: BenchJob
  onSaved: (house: HouseStyle) => void
  onClose: () => void
}) {
  const [house, setHouse] = useState(job.client.house)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const text = (name: TextStyleName, patch: Partial<HouseStyle['text']['body']>) =>
    setHouse((h) => ({ ...h, text: { ...h.text, [name]: { ...h.text[name], ...patch } } }))
  const button = (patch: Partial<HouseStyle['button']>) =>
    setHouse((h) => ({ ...h, button: { ...h.button, ...patch } }))
  async function save() {
    setBusy(true)
    setProblem(null)
    try {
      const saved = await call('PATCH /api/clients/:client', {
        params: { client: job.client.id },
        body: { house },
      })
      const { inherit, changed } = saved.emails
      toast.success(
        `${inherit === 1 ? 'One email inherits' : `${inherit} emails inherit`} from this house style; ${changed === 1 ? 'one looks' : `${changed} look`} different now.`,
        { duration: 8000 },
      )
      onSaved(saved.house)
      onClose()
    } catch (e) {
      setProblem((e as Error).message)
    } finally {
      setBusy(false)
    }
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={`House style of ${job.client.name}`}
      about="What every email of this client starts from. A value that an email or a tile has of its own stays."
      widest
    >
      <div className="grid grid-cols-[minmax(0,1fr)_330px] items-start gap-6">
        <div>
          <HouseFile house={house} name={job.client.name} onChange={setHouse} />
          <TextStyles house={house} text={text} />
          <OtherLooks house={house} setHouse={setHouse} button={button} />
          <WebFonts fonts={house.webFonts} onChange={(webFonts) => setHouse((h) => ({ ...h, webFonts }))} />
          <PageLooks house={house} onChange={setHouse} />
        </div>
        <Sample house={house} />
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-terra">
          {problem}
        </p>
      )}
      <div className="mt-3 flex gap-2">
        <Button look="main" disabled={busy} onClick={() => void save()}>
          Save the house style
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Dialog>
  )
}

/** The house style on a sample email, as it is now. */
function Sample({ house }: { house: HouseStyle }) {
  const seen = useDeferredValue(house)
  const bands = useMemo(() => starterEmail(starterLayouts[0]!, { house: seen, width: 600 }).bands, [seen])
  return (
    <figure className="sticky top-0 border border-grout" style={{ background: seen.ground }}>
      <figcaption className="bg-groundhead px-2.5 py-1 text-xs text-[#17191a]">On a sample email</figcaption>
      <div className="p-2">
        <Miniature bands={bands} house={seen} emailWidth={600} width={312} tallest={410} />
      </div>
    </figure>
  )
}

/** Ground, links, button and the sender. */
function OtherLooks({
  house,
  setHouse,
  button,
}: {
  house: HouseStyle
  setHouse: SetHouse
  button: (patch: Partial<HouseStyle['button']>) => void
}) {
  return (
    <div className="mt-3 grid grid-cols-2 gap-x-6 gap-y-1.5">
      <Line label="Ground">
        <ColorField
          label="Ground behind emails"
          value={house.ground}
          swatches={house.colors}
          onChange={(ground) => setHouse((h) => ({ ...h, ground }))}
        />
      </Line>
      <Line label="Links">
        <ColorField
          label="Colour of links"
          value={house.link.color}
          swatches={house.colors}
          onChange={(color) => setHouse((h) => ({ ...h, link: { ...h.link, color } }))}
        />
      </Line>
      <ButtonLooks house={house} button={button} />
      <TextRow
        plain
        label="Sender"
        value={house.footer.sender}
        onChange={(sender) => setHouse((h) => ({ ...h, footer: { ...h.footer, sender } }))}
      />
      <TextRow
        plain
        label="Address"
        value={house.footer.address}
        onChange={(address) => setHouse((h) => ({ ...h, footer: { ...h.footer, address } }))}
      />
    </div>
  )
}

/** The button of the house. */
function ButtonLooks({
  house,
  button,
}: {
  house: HouseStyle
  button: (patch: Partial<HouseStyle['button']>) => void
}) {
  return (
    <>
      <Line label="Button">
        <ColorField
          label="Ground of the button"
          value={house.button.background}
          swatches={house.colors}
          onChange={(background) => button({ background })}
        />
      </Line>
      <Line label="Its words">
        <ColorField
          label="Words of the button"
          value={house.button.color}
          swatches={house.colors}
          onChange={(color) => button({ color })}
        />
      </Line>
      <Line label="Its corners">
        <NumberField
          label="Radius of the button, px"
          value={house.button.radius}
          max={60}
          onChange={(radius) => button({ radius })}
        />
      </Line>
      <Line label="Its letters">
        <NumberField
          label="Letters of the button, px"
          value={house.button.size}
          min={8}
          max={60}
          onChange={(size) => button({ size })}
        />
      </Line>
    </>
  )
}

/** The text styles, one a row. */
function TextStyles({
  house,
  text,
}: {
  house: HouseStyle
  text: (name: TextStyleName, patch: Partial<HouseStyle['text']['body']>) => void
}) {
  return (
    <table className="w-full border-collapse text-xs">
      <thead>
        <tr>
          {['Text', 'Font', 'Size', 'Line', 'Colour', 'At night', ''].map((h) => (
            <th key={h} scope="col" className="p-1 text-left font-semibold">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {textStyleNames.map((n) => (
          <TextStyleRow key={n} n={n} s={house.text[n]} house={house} text={text} />
        ))}
      </tbody>
    </table>
  )
}

function TextStyleRow({
  n,
  s,
  house,
  text,
}: {
  n: TextStyleName
  s: HouseStyle['text']['body']
  house: HouseStyle
  text: (name: TextStyleName, patch: Partial<HouseStyle['text']['body']>) => void
}) {
  return (
    <tr className="border-t border-grout">
      <th scope="row" className="p-1 text-left font-normal whitespace-nowrap">
        {names[n]}
      </th>
      <td className="p-1">
        <Dropdown
          label={`Font of ${names[n]}`}
          value={s.font}
          options={fontOptions(house)}
          onChange={(font) => text(n, { font })}
        />
      </td>
      <td className="w-14 p-1">
        <NumberField
          label={`Size of ${names[n]}, px`}
          value={s.size}
          min={6}
          max={120}
          onChange={(size) => text(n, { size })}
        />
      </td>
      <td className="w-14 p-1">
        <NumberField
          label={`Line height of ${names[n]}, px`}
          value={s.line}
          min={6}
          max={200}
          onChange={(line) => text(n, { line })}
        />
      </td>
      <td className="p-1">
        <ColorField
          label={`Colour of ${names[n]}`}
          value={s.color}
          swatches={house.colors}
          onChange={(color) => text(n, { color })}
        />
      </td>
      <td className="p-1">
        <ColorField
          label={`Colour of ${names[n]} at night`}
          value={s.nightColor ?? s.color}
          own={s.nightColor !== undefined}
          onClear={() => text(n, { nightColor: undefined })}
          swatches={house.colors}
          onChange={(nightColor) => text(n, { nightColor })}
        />
      </td>
      <td className="p-1">
        <Tick checked={s.bold} onChange={(bold) => text(n, { bold })}>
          bold
        </Tick>
      </td>
    </tr>
  )
}

/** Fonts from an address: readers that can, load them; the others take the stack behind. */
function WebFonts({
  fonts,
  onChange,
}: {
  fonts: HouseStyle['webFonts']
  onChange: (f: HouseStyle['webFonts']) => void
}) {
  const put = (i: number, patch: Partial<WebFont>) =>
    onChange(fonts.map((f, k) => (k === i ? { ...f, ...patch } : f)))
  return (
    <div className="mt-3 flex flex-col gap-1 text-xs">
      {fonts.map((f, i) => (
        <div key={i} className="grid grid-cols-[140px_minmax(0,1fr)_110px_auto] gap-1">
          <input
            aria-label={`Family of web font ${i + 1}`}
            className={fieldClass}
            value={f.family}
            onChange={(e) => put(i, { family: e.target.value })}
          />
          <input
            aria-label={`Address of web font ${i + 1}`}
            className={fieldClass}
            value={f.files[0]!.address}
            placeholder="https://…/font.woff2"
            onChange={(e) =>
              put(i, { files: [{ ...f.files[0]!, address: e.target.value }, ...f.files.slice(1)] })
            }
          />
          <Dropdown
            label={`Behind web font ${i + 1}`}
            value={f.fallback}
            options={safeFonts.map((v) => ({ value: v, label: `else ${v}` }))}
            onChange={(fallback) => put(i, { fallback })}
          />
          <Button look="danger" onClick={() => onChange(fonts.filter((_, k) => k !== i))}>
            Take out
          </Button>
        </div>
      ))}
      {fonts.length < 8 && (
        <div>
          <Button
            onClick={() =>
              onChange([
                ...fonts,
                {
                  family: `Font ${fonts.length + 1}`,
                  fallback: 'sans',
                  files: [{ address: 'https://', weight: 400, italic: false }],
                },
              ])
            }
          >
            + Web font
          </Button>
        </div>
      )}
    </div>
  )
}

const Line = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <div className="grid grid-cols-[68px_minmax(0,1fr)] items-center gap-2 text-xs">
    <span className="text-soft">{label}</span>
    {children}
  </div>
)
