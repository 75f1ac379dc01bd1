'use client'
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'
import type { Counted } from '@/core/interact/answers'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

/** How often each value was given. */
export function AnswersChart({ counted }: { counted: Counted }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!canvas.current) return
    const css = getComputedStyle(document.documentElement)
    const color = (name: string) => css.getPropertyValue(name).trim()
    const ticks = { color: color('--soft') }
    const chart = new Chart(canvas.current, {
      type: 'bar',
      data: {
        labels: counted.values.map((v) => (v.label.length > 22 ? `${v.label.slice(0, 21)}…` : v.label)),
        datasets: [{ data: counted.values.map((v) => v.count), backgroundColor: color('--lapis') }],
      },
      options: {
        indexAxis: 'y',
        animation: false,
        maintainAspectRatio: false,
        scales: { x: { ticks: { ...ticks, precision: 0 }, beginAtZero: true }, y: { ticks } },
        plugins: { legend: { display: false } },
      },
    })
    return () => chart.destroy()
  }, [counted])
  const said = counted.values.map((v) => `${v.label} ${v.count} (${v.percent} %)`).join(', ')
  return (
    <figure>
      <figcaption className="text-[11px] text-soft">{counted.name}</figcaption>
      <div style={{ height: Math.max(64, 26 * counted.values.length + 26) }}>
        <canvas ref={canvas} role="img" aria-label={`${counted.name}: ${said}`} />
      </div>
    </figure>
  )
}
