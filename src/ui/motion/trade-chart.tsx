'use client'
import {
  Chart,
  type ChartConfiguration,
  LinearScale,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js'
import { useEffect, useRef } from 'react'
import type { Point } from '@/core/motion/brought'
import { kb } from '../parts/controls'
import { dithers } from './dithers'

Chart.register(ScatterController, PointElement, LinearScale, Tooltip)

interface Props {
  points: readonly Point[]
  best: Point | null
  budget: number
  onChoose: (p: Point) => void
}

/** One way to write it, in words. */
function said({ bytes, mean, squeeze, reckoned }: Point): string {
  const { size, rate, colors, loss } = squeeze
  const dither = dithers.find((d) => d.value === squeeze.dither)!.label
  return `${reckoned ? 'about ' : ''}${kb(bytes)}, ${(mean * 100).toFixed(1)} % alike: size ${Math.round(size * 100)} %, rate ${Math.round(rate * 100)} %, ${colors} colours, dither ${dither}, loss ${loss}`
}

/** What the chart shows. */
function configOf(
  { points, best, budget }: Props,
  choose: (p: Point) => void,
): ChartConfiguration<'scatter'> {
  const css = getComputedStyle(document.documentElement)
  const color = (name: string) => css.getPropertyValue(name).trim()
  const isBest = (a: Point) => !!best && a.bytes === best.bytes && a.mean === best.mean
  const axis = (text: string) => ({
    title: { display: true, text, color: color('--soft') },
    ticks: { color: color('--soft') },
  })
  return {
    type: 'scatter',
    data: {
      datasets: [
        {
          data: points.map((p) => ({ x: p.bytes / 1024, y: p.mean * 100 })),
          pointBackgroundColor: points.map((p) =>
            p.reckoned
              ? 'transparent'
              : color(isBest(p) ? '--lapis' : p.bytes <= budget ? '--verdigris' : '--terra'),
          ),
          pointRadius: points.map((p) => (isBest(p) ? 6 : 3.5)),
          // What was reckoned from a sample is an outline, what was written is filled.
          pointBorderColor: points.map((p) => color(p.bytes <= budget ? '--verdigris' : '--terra')),
          pointStyle: points.map((p) => (isBest(p) ? 'rectRot' : 'rect')),
        },
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      onClick: (_, hit) => {
        const p = hit[0] && points[hit[0].index]
        if (p) choose(p)
      },
      scales: { x: axis('KB'), y: axis('alike, %') },
      plugins: {
        legend: { display: false },
        tooltip: { callbacks: { label: (c) => said(points[c.dataIndex]!) } },
      },
    },
  }
}

/** Bytes against likeness for all that was tried; the chosen point is marked, and another can be pressed. */
export function TradeChart(p: Props) {
  const { points, best, budget } = p
  const canvas = useRef<HTMLCanvasElement>(null)
  const latest = useRef(p)
  latest.current = p
  useEffect(() => {
    if (!canvas.current) return
    const chart = new Chart(
      canvas.current,
      configOf(latest.current, (q) => latest.current.onChoose(q)),
    )
    return () => chart.destroy()
  }, [points, best, budget])
  return (
    <div className="h-32 w-56">
      <canvas
        ref={canvas}
        role="img"
        aria-label={
          best
            ? `${points.length} ways tried; chosen: ${kb(best.bytes)} at ${(best.mean * 100).toFixed(1)} % likeness`
            : `${points.length} ways tried`
        }
      />
    </div>
  )
}
