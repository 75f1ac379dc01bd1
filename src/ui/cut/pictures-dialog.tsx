'use client'
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js'
import { Fragment, useEffect, useRef, useState } from 'react'
import { loadTimes } from '@/core/picture/load-times'
import type { Cut } from '@/core/cut/plan'
import { cx, kb, NumberField, Row } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { CutWork } from './work/use-cut-work'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

/** The picture cuts whose files are known. */
const weighedOf = (w: CutWork) =>
  w.pictures.flatMap((cut) => {
    const figure = w.figureOf(cut)
    return figure ? [{ cut, figure }] : []
  })
type Weighed = ReturnType<typeof weighedOf>

/**
 * What the pictures weigh: each against its budget, all together, how long they take to load; and each beside
 * the design it was cut from.
 */
export function PicturesDialog({ work: w, onClose }: { work: CutWork; onClose: () => void }) {
  const weighed = weighedOf(w)
  const [shown, setShown] = useState<string>(
    w.current?.kind === 'picture' ? w.current.id : (weighed[0]?.cut.id ?? ''),
  )
  const chosen = weighed.find((x) => x.cut.id === shown)
  const times = loadTimes(w.total)
  return (
    <Dialog open onClose={onClose} title="What the pictures weigh" wide>
      <div className="grid grid-cols-[280px_1fr] gap-4 text-xs">
        <div className="flex flex-col gap-2">
          <Sums work={w} weighed={weighed} times={times} />
          <Budgets work={w} />
          <LoadChart times={times} />
          <ByWeight work={w} weighed={weighed} shown={shown} onShow={setShown} />
        </div>
        {chosen ? (
          <Compare key={chosen.cut.id} work={w} cut={chosen.cut} picture={chosen.figure.picture} />
        ) : (
          <p className="text-soft">Nothing is weighed yet.</p>
        )}
      </div>
    </Dialog>
  )
}

type Times = ReturnType<typeof loadTimes>

/** What all of them weigh, what that saves, and how long it takes to load. */
function Sums({ work: w, weighed, times }: { work: CutWork; weighed: Weighed; times: Times }) {
  const plain = weighed.reduce((s, x) => s + x.figure.plain, 0)
  return (
    <dl className="grid grid-cols-[92px_1fr] gap-y-1 font-mono">
      <dt className="font-sans text-soft">All pictures</dt>
      <dd className={cx(w.total > w.budget.all && 'text-terra')} data-total={w.total}>
        {kb(w.total)}, {weighed.length} of {w.pictures.length} weighed
      </dd>
      <dt className="font-sans text-soft">Saved</dt>
      <dd>{kb(Math.max(0, plain - w.total))} over plain PNG</dd>
      {times.map((t) => (
        <Fragment key={t.name}>
          <dt className="font-sans text-soft">{t.name}</dt>
          <dd>
            {t.seconds.toFixed(1)} s at {t.mbit} Mbit/s
          </dd>
        </Fragment>
      ))}
    </dl>
  )
}

/** What all pictures, and each of them, may weigh. */
function Budgets({ work: { budget, change } }: { work: CutWork }) {
  const set = (part: Partial<CutWork['budget']>) =>
    change('set the budget', (p) => ({ ...p, budget: { ...budget, ...part } }), 'budget')
  return (
    <div className="grid grid-cols-2 gap-2">
      <Row label="All, KB">
        <NumberField
          label="Budget for all pictures, KB"
          value={Math.round(budget.all / 1024)}
          min={10}
          max={20000}
          onChange={(v) => set({ all: v * 1024 })}
        />
      </Row>
      <Row label="Each, KB">
        <NumberField
          label="Budget for each picture, KB"
          value={Math.round(budget.each / 1024)}
          min={5}
          max={10000}
          onChange={(v) => set({ each: v * 1024 })}
        />
      </Row>
    </div>
  )
}

/** The pictures, heaviest first. */
function ByWeight({
  work: w,
  weighed,
  shown,
  onShow,
}: {
  work: CutWork
  weighed: Weighed
  shown: string
  onShow: (cut: string) => void
}) {
  const heaviestFirst = [...weighed].sort((a, b) => b.figure.picture.bytes - a.figure.picture.bytes)
  return (
    <ul className="max-h-44 overflow-y-auto" aria-label="Pictures by weight">
      {heaviestFirst.map(({ cut, figure: { picture } }) => (
        <li key={cut.id}>
          <button
            type="button"
            aria-pressed={cut.id === shown}
            className={cx(
              'grid min-h-6 w-full grid-cols-[1fr_auto] items-center gap-2 px-1.5 text-left',
              cut.id === shown && 'bg-wash',
            )}
            onClick={() => onShow(cut.id)}
          >
            <span className="truncate">
              {w.order.findIndex((c) => c.id === cut.id) + 1} {cut.alt || 'Picture'}
            </span>
            <span className={cx('font-mono', picture.bytes > w.budget.each && 'text-terra')}>
              {kb(picture.bytes)} {picture.type.slice(6)}
            </span>
          </button>
        </li>
      ))}
    </ul>
  )
}

/** The crop as it is in the design and as its file shows it, with a divider between. */
function Compare({
  work: w,
  cut,
  picture,
}: {
  work: CutWork
  cut: Cut
  picture: { id: string; bytes: number; width: number }
}) {
  const [at, setAt] = useState(50)
  const width = 380,
    scale = width / cut.w,
    height = Math.min(420, cut.h * scale)
  return (
    <figure className="min-w-0">
      <div className="relative overflow-hidden border border-grout" style={{ width, height }}>
        <div
          role="img"
          aria-label="As it is in the design"
          className="absolute inset-0"
          style={{
            backgroundImage: `url(/api/pictures/${w.job.design.id})`,
            backgroundSize: `${w.job.design.width * scale}px auto`,
            backgroundPosition: `-${cut.x * scale}px -${cut.y * scale}px`,
          }}
        />
        <img
          src={`/api/pictures/${picture.id}`}
          alt="As its file shows it"
          className="absolute top-0 left-0 max-w-none"
          style={{ width, height: cut.h * scale, clipPath: `inset(0 0 0 ${at}%)` }}
        />
        <i aria-hidden className="absolute inset-y-0 w-0.5 bg-lapis" style={{ left: `${at}%` }} />
      </div>
      <figcaption className="mt-1 grid grid-cols-[auto_1fr_auto] items-center gap-2">
        <span>Design</span>
        <input
          type="range"
          min={0}
          max={100}
          value={at}
          aria-label="Divider between design and file"
          className="accent-lapis"
          onChange={(e) => setAt(Number(e.target.value))}
        />
        <span className="font-mono">{kb(picture.bytes)}</span>
      </figcaption>
    </figure>
  )
}

function LoadChart({ times }: { times: ReturnType<typeof loadTimes> }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!canvas.current) return
    const css = getComputedStyle(document.documentElement)
    const [ink, bar, grid] = ['--soft', '--lapis', '--grout'].map((v) => css.getPropertyValue(v).trim())
    const chart = new Chart(canvas.current, {
      type: 'bar',
      data: {
        labels: times.map((t) => t.name),
        datasets: [{ data: times.map((t) => t.seconds), backgroundColor: bar, barThickness: 14 }],
      },
      options: {
        indexAxis: 'y',
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        plugins: { legend: { display: false } },
        scales: {
          x: {
            beginAtZero: true,
            title: { display: true, text: 's', color: ink },
            ticks: { color: ink },
            grid: { color: grid },
          },
          y: { ticks: { color: ink, autoSkip: false }, grid: { display: false } },
        },
      },
    })
    return () => chart.destroy()
  }, [times])
  return (
    <div className="h-28">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`Seconds to load: ${times.map((t) => `${t.name} ${t.seconds.toFixed(1)}`).join(', ')}`}
      />
    </div>
  )
}
