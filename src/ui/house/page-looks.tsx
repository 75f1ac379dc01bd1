'use client'
import { useState, type ReactNode } from 'react'
import type { PageStyle } from '@/core/house/page'
import { textStyleNames, type HouseStyle } from '@/core/email/styles'
import { ApiProblem, formOf } from '../api'
import { runTask } from '../tasks/run'
import { Button, Choice, fieldClass } from '../parts/controls'

type Patch = (change: (h: HouseStyle) => HouseStyle) => void

/** A house style with one colour more, where it does not have it yet. */
const keepColor = (h: HouseStyle, value: string): HouseStyle =>
  h.colors.some((c) => c.value === value)
    ? h
    : { ...h, colors: [...h.colors, { name: value, value }].slice(0, 40) }

/** All text styles of a house with the same values set. */
const everyText = (h: HouseStyle, set: Partial<HouseStyle['text']['body']>): HouseStyle['text'] =>
  Object.fromEntries(textStyleNames.map((n) => [n, { ...h.text[n], ...set }])) as HouseStyle['text']

/** Has a page read. */
type Send = (body: { html?: string; css?: string; address?: string }) => Promise<void>

/** Has pages read, with what is told on the way. */
function useReading() {
  const [page, setPage] = useState<PageStyle | null>(null)
  const [busy, setBusy] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  async function read(work: () => Promise<PageStyle>) {
    setBusy('Reading…')
    setProblem(null)
    try {
      setPage(await work())
    } catch (e) {
      setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    } finally {
      setBusy(null)
    }
  }
  const send = (body: { html?: string; css?: string; address?: string }) =>
    read(() =>
      runTask(
        'POST /api/pages',
        { body },
        { onProgress: ({ what, done, total }) => setBusy(`${what}, ${done + 1} of ${total}`) },
      ),
    )
  const file = (f: File) => read(() => runTask('POST /api/pages', { form: formOf({ file: f }) }))
  return { page, busy, problem, send, file }
}

/**
 * The looks of a client's own page, read off an address, a saved page or pasted source; the person picks what
 * the house style takes over.
 */
export function PageLooks({ house, onChange }: { house: HouseStyle; onChange: Patch }) {
  const [way, setWay] = useState<'address' | 'paste'>('address')
  const [typed, setTyped] = useState('')
  const [css, setCss] = useState('')
  const { page, busy, problem, send, file } = useReading()
  return (
    <details className="mt-3 text-xs">
      <summary className="cursor-pointer font-semibold">From the client&apos;s page…</summary>
      <div className="mt-2 flex flex-col gap-2">
        <Choice
          label="Where the page is"
          value={way}
          options={[
            { value: 'address', label: 'at an address' },
            { value: 'paste', label: 'pasted, or saved as a file' },
          ]}
          onChange={setWay}
        />
        {way === 'address' ? (
          <AtAddress typed={typed} setTyped={setTyped} busy={!!busy} send={send} />
        ) : (
          <Pasted
            typed={typed}
            setTyped={setTyped}
            css={css}
            setCss={setCss}
            busy={!!busy}
            send={send}
            file={file}
          />
        )}
        {busy && (
          <p role="status" className="text-soft">
            {busy}
          </p>
        )}
        {problem && (
          <p role="alert" className="border-l-4 border-terra pl-2">
            {problem}
          </p>
        )}
        {page && <Found page={page} onChange={onChange} />}
        {page && (
          <p className="text-soft">
            Press what the house style should take over; nothing is saved before you save it.{' '}
            {house.colors.length} colours are kept.
          </p>
        )}
      </div>
    </details>
  )
}

/** A page pasted, or saved as a file. */
function Pasted({
  typed,
  setTyped,
  css,
  setCss,
  busy,
  send,
  file,
}: {
  typed: string
  setTyped: (v: string) => void
  css: string
  setCss: (v: string) => void
  busy: boolean
  send: Send
  file: (f: File) => Promise<void>
}) {
  return (
    <>
      <span className="grid grid-cols-2 gap-1">
        <textarea
          aria-label="HTML of the page"
          rows={4}
          className={fieldClass}
          placeholder="HTML"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <textarea
          aria-label="CSS of the page"
          rows={4}
          className={fieldClass}
          placeholder="CSS"
          value={css}
          onChange={(e) => setCss(e.target.value)}
        />
      </span>
      <span className="flex gap-2">
        <Button disabled={busy || !(typed + css).trim()} onClick={() => void send({ html: typed, css })}>
          Read it
        </Button>
        <label className="cursor-pointer border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2">
          A saved page (HTML or ZIP)
          <input
            type="file"
            accept=".html,.htm,.zip,text/html,application/zip"
            className="sr-only"
            onChange={(e) => {
              const f = e.target.files?.[0]
              if (f) void file(f)
            }}
          />
        </label>
      </span>
    </>
  )
}

/** A page at an address. */
function AtAddress({
  typed,
  setTyped,
  busy,
  send,
}: {
  typed: string
  setTyped: (v: string) => void
  busy: boolean
  send: Send
}) {
  return (
    <span className="grid grid-cols-[1fr_auto] gap-1">
      <input
        aria-label="Address of the page"
        className={fieldClass}
        value={typed}
        placeholder="https://"
        onChange={(e) => setTyped(e.target.value)}
      />
      <Button disabled={busy || !typed.trim()} onClick={() => void send({ address: typed })}>
        Read it
      </Button>
    </span>
  )
}

/** What was found on the page; a press takes it over. */
function Found({ page, onChange }: { page: PageStyle; onChange: Patch }) {
  const colors = (
    found: PageStyle['texts'],
    label: string,
    take: (h: HouseStyle, value: string) => HouseStyle,
  ) =>
    found.map(({ value }) => (
      <Button
        key={value}
        className="py-0.5!"
        title={`Take ${value} as ${label}`}
        onClick={() => onChange((h) => keepColor(take(h, value), value))}
      >
        <i aria-hidden className="h-4 w-4 border border-grout" style={{ background: value }} />
        <span className="font-mono text-[11px]">{value}</span>
      </Button>
    ))
  return (
    <dl className="grid grid-cols-[84px_1fr] items-start gap-x-2 gap-y-1.5" aria-label="Found on the page">
      <Kind name="Grounds">{colors(page.backgrounds, 'the ground', (h, ground) => ({ ...h, ground }))}</Kind>
      <Kind name="Words">
        {colors(page.texts, 'the colour of words', (h, color) => ({ ...h, text: everyText(h, { color }) }))}
      </Kind>
      <Kind name="Links">
        {colors(page.links, 'the colour of links', (h, color) => ({ ...h, link: { ...h.link, color } }))}
      </Kind>
      <Kind name="Buttons">
        {page.buttons.map(({ value }) => (
          <FoundButton
            key={JSON.stringify(value)}
            look={value}
            onTake={() => onChange((h) => keepColor(withButton(h, value), value.background))}
          />
        ))}
      </Kind>
      <Fonts fonts={page.fonts} onChange={onChange} />
      <Kind name="Logo">
        {page.logos.map((l) => (
          <span key={l.src} className="max-w-64 truncate font-mono text-[11px]" title={l.why}>
            {l.src.startsWith('data:image/svg+xml,') ? (
              <Drawn src={l.src} alt={l.alt} />
            ) : /^https?:/.test(l.src) ? (
              <a href={l.src} target="_blank" rel="noreferrer" className="underline">
                {l.src}
              </a>
            ) : (
              l.src
            )}
          </span>
        ))}
      </Kind>
    </dl>
  )
}

/** A logo that is drawn in the page: shown, and kept as a file. */
const Drawn = ({ src, alt }: { src: string; alt: string }) => (
  <a href={src} download="logo.svg" className="inline-flex items-center gap-1.5 underline">
    <img src={src} alt={alt || 'Logo'} className="h-7 max-w-40 bg-white object-contain p-0.5" />
    logo.svg
  </a>
)

/** One kind of thing that was looked for. */
function Kind({ name, children }: { name: string; children: ReactNode[] }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="flex flex-wrap gap-1">{children.length ? children : 'none'}</dd>
    </>
  )
}

type PageFont = PageStyle['fonts'][number]

/** The fonts of the page: a safe stack of their width, or themselves where they may be loaded. */
function Fonts({ fonts, onChange }: { fonts: readonly PageFont[]; onChange: Patch }) {
  return (
    <Kind name="Fonts">
      {fonts.map((f) => (
        <Button
          key={f.value}
          className="py-0.5!"
          onClick={() =>
            onChange((h) => ({
              ...h,
              text: everyText(h, { font: f.safe }),
              button: { ...h.button, font: f.safe },
            }))
          }
        >
          {f.value}: {f.safe}
        </Button>
      ))}
      {fonts.map((f) => (
        <FontOffer key={`${f.value} itself`} font={f} onTake={() => onChange((h) => withFont(h, f))} />
      ))}
    </Kind>
  )
}

/** A font of the page itself: taken as a web font, or why it is not. */
function FontOffer({ font: { value, offer, held }, onTake }: { font: PageFont; onTake: () => void }) {
  if (held)
    return (
      <span className="w-full text-soft">
        {value} itself: {held}
      </span>
    )
  if (!offer) return null
  return (
    <Button className="py-0.5!" title={offer.files.map((f) => f.address).join('\n')} onClick={onTake}>
      {value} itself, {offer.licence}, {offer.files.length === 1 ? '1 file' : `${offer.files.length} files`}
    </Button>
  )
}

/** Most web fonts of a house style. */
const MOST_FONTS = 8

/** A house style with a font of the page as a web font, in all its words and its button. */
function withFont(h: HouseStyle, { value, safe, offer }: PageFont): HouseStyle {
  const others = h.webFonts.filter((f) => f.family !== value)
  if (!offer || others.length >= MOST_FONTS) return h
  return {
    ...h,
    webFonts: [...others, { family: value, fallback: safe, files: offer.files }],
    text: everyText(h, { font: value }),
    button: { ...h.button, font: value },
  }
}

type PageButton = PageStyle['buttons'][number]['value']

/** A house style whose button looks like one of the page. */
const withButton = (h: HouseStyle, b: PageButton): HouseStyle => ({
  ...h,
  button: {
    ...h.button,
    background: b.background,
    color: b.color,
    radius: Math.min(60, b.radius),
    padX: Math.min(120, b.padX),
    padY: Math.min(60, b.padY),
  },
})

function FoundButton({ look: b, onTake }: { look: PageButton; onTake: () => void }) {
  return (
    <button
      type="button"
      title={`${b.background}, radius ${b.radius} px, padding ${b.padY} and ${b.padX} px`}
      className="text-[12px] font-semibold"
      style={{
        background: b.background,
        color: b.color,
        borderRadius: b.radius,
        padding: `${Math.min(8, b.padY)}px ${Math.min(24, b.padX)}px`,
      }}
      onClick={onTake}
    >
      {b.label.slice(0, 24)}
    </button>
  )
}
