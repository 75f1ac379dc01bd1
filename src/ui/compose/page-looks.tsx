'use client'
import { useState } from 'react'
import type { PageStyle } from '@/core/house/page'
import { textStyleNames, type HouseStyle } from '@/core/email/styles'
import { ApiProblem, formOf } from '../api'
import { runTask } from '../tasks/run'
import { Button, Choice, fieldClass } from '../parts/controls'

type Patch = (change: (h: HouseStyle) => HouseStyle) => void

/**
 * The looks of a client's own page, read off an address, a saved page or pasted source; the person picks what
 * the house style takes over.
 */
export function PageLooks({ house, onChange }: { house: HouseStyle; onChange: Patch }) {
  const [way, setWay] = useState<'address' | 'paste'>('address')
  const [typed, setTyped] = useState('')
  const [css, setCss] = useState('')
  const [page, setPage] = useState<PageStyle | null>(null)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  async function read(work: () => Promise<PageStyle>) {
    setBusy(true)
    setProblem(null)
    try {
      setPage(await work())
    } catch (e) {
      setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    } finally {
      setBusy(false)
    }
  }
  const send = (body: { html?: string; css?: string; address?: string }) =>
    read(() => runTask('POST /api/pages', { body }))
  const file = (f: File) => read(() => runTask('POST /api/pages', { form: formOf({ file: f }) }))
  const keepColor = (h: HouseStyle, value: string): HouseStyle =>
    h.colors.some((c) => c.value === value)
      ? h
      : { ...h, colors: [...h.colors, { name: value, value }].slice(0, 40) }
  const everyText = (h: HouseStyle, set: Partial<HouseStyle['text']['body']>): HouseStyle['text'] =>
    Object.fromEntries(textStyleNames.map((n) => [n, { ...h.text[n], ...set }])) as HouseStyle['text']
  const swatch = (value: string, label: string, take: (h: HouseStyle) => HouseStyle) => (
    <Button
      key={label + value}
      className="py-0.5!"
      title={`Take ${value} as ${label}`}
      onClick={() => onChange((h) => keepColor(take(h), value))}
    >
      <i aria-hidden className="h-4 w-4 border border-grout" style={{ background: value }} />
      <span className="font-mono text-[11px]">{value}</span>
    </Button>
  )
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
          <span className="grid grid-cols-[1fr_auto] gap-1">
            <input
              aria-label="Address of the page"
              className={fieldClass}
              value={typed}
              placeholder="https://"
              onChange={(e) => setTyped(e.target.value)}
            />
            <Button disabled={busy || !typed.trim()} onClick={() => void send({ address: typed })}>
              {busy ? 'Reading…' : 'Read it'}
            </Button>
          </span>
        ) : (
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
              <Button
                disabled={busy || !(typed + css).trim()}
                onClick={() => void send({ html: typed, css })}
              >
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
        )}
        {problem && (
          <p role="alert" className="border-l-4 border-terra pl-2">
            {problem}
          </p>
        )}
        {page && (
          <dl
            className="grid grid-cols-[84px_1fr] items-start gap-x-2 gap-y-1.5"
            aria-label="Found on the page"
          >
            <dt className="text-soft">Grounds</dt>
            <dd className="flex flex-wrap gap-1">
              {page.backgrounds.map((f) => swatch(f.value, 'the ground', (h) => ({ ...h, ground: f.value })))}
              {!page.backgrounds.length && 'none'}
            </dd>
            <dt className="text-soft">Words</dt>
            <dd className="flex flex-wrap gap-1">
              {page.texts.map((f) =>
                swatch(f.value, 'the colour of words', (h) => ({
                  ...h,
                  text: everyText(h, { color: f.value }),
                })),
              )}
              {!page.texts.length && 'none'}
            </dd>
            <dt className="text-soft">Links</dt>
            <dd className="flex flex-wrap gap-1">
              {page.links.map((f) =>
                swatch(f.value, 'the colour of links', (h) => ({
                  ...h,
                  link: { ...h.link, color: f.value },
                })),
              )}
              {!page.links.length && 'none'}
            </dd>
            <dt className="text-soft">Buttons</dt>
            <dd className="flex flex-wrap gap-1">
              {page.buttons.map(({ value: b }) => (
                <button
                  key={JSON.stringify(b)}
                  type="button"
                  title={`${b.background}, radius ${b.radius} px, padding ${b.padY} and ${b.padX} px`}
                  className="text-[12px] font-semibold"
                  style={{
                    background: b.background,
                    color: b.color,
                    borderRadius: b.radius,
                    padding: `${Math.min(8, b.padY)}px ${Math.min(24, b.padX)}px`,
                  }}
                  onClick={() =>
                    onChange((h) =>
                      keepColor(
                        {
                          ...h,
                          button: {
                            ...h.button,
                            background: b.background,
                            color: b.color,
                            radius: Math.min(60, b.radius),
                            padX: Math.min(120, b.padX),
                            padY: Math.min(60, b.padY),
                          },
                        },
                        b.background,
                      ),
                    )
                  }
                >
                  {b.label.slice(0, 24)}
                </button>
              ))}
              {!page.buttons.length && 'none'}
            </dd>
            <dt className="text-soft">Fonts</dt>
            <dd className="flex flex-wrap gap-1">
              {page.fonts.map((f) => (
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
              {!page.fonts.length && 'none'}
            </dd>
            <dt className="text-soft">Logo</dt>
            <dd className="flex flex-wrap gap-2">
              {page.logos.map((l) => (
                <span key={l.src} className="max-w-64 truncate font-mono text-[11px]" title={l.why}>
                  {/^https?:/.test(l.src) ? (
                    <a href={l.src} target="_blank" rel="noreferrer" className="underline">
                      {l.src}
                    </a>
                  ) : (
                    l.src
                  )}
                </span>
              ))}
              {!page.logos.length && 'none'}
            </dd>
          </dl>
        )}
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
