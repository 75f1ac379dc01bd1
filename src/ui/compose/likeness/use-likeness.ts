import { useEffect, useState } from 'react'
import { createStore, type StoreApi } from 'zustand'
import { stretchesOf } from '@/core/cut/stretches'
import type { CutPlan } from '@/core/cut/plan'
import type { LikenessAnswer, LikenessCall } from '@/workers/likeness'
import type { EmailWork } from '../../bench/email-work'
import type { Measured } from '../measured'
import { drawBand, drawDesign } from './draw'

/** How alike each band and its place in the design are (SSIM, 0 to 1), by the band's id. */
export type Likeness = ReadonlyMap<string, number>

/** How long an email rests before its bands are compared, ms. */
const REST = 1500
/** Bands taller than this are compared down to here, px. */
const TALLEST = 3000

/**
 * Compares each band with its place in the design, at the email's width, one after the other while nothing else is to be done; what did not
 * change is not compared again.
 * @param wide where the bands stand in the wide lens
 */
export function useLikeness(work: EmailWork, plan: CutPlan, wide: StoreApi<Measured>): StoreApi<Likeness> {
  const [store] = useState(() => createStore<Likeness>(() => new Map()))
  const [known] = useState(() => new Map<string, number>())
  const { email, parts, job } = work
  const { design } = job
  useEffect(() => {
    if (!design) return
    const of = design
    const stop = new AbortController()
    // A design that cannot be loaded is said by its lens.
    const wait = setTimeout(() => void compare(stop.signal).catch(() => {}), REST)
    async function compare(signal: AbortSignal): Promise<void> {
      const stretches = stretchesOf(email, plan, of.height)
      const picture = await loaded(`/api/pictures/${of.id}`)
      const found = new Map<string, number>()
      const marks = wide.getState().marks
      for (const { id, html } of parts.bands) {
        const stretch = stretches.get(id)
        const height = Math.round(marks.get(id)?.height ?? 0)
        if (!stretch || !height) continue
        const tall = Math.min(TALLEST, Math.max(height, Math.round(stretch.height / of.scale)))
        const key = [of.id, stretch.top, stretch.height, tall, parts.before.length, html].join('|')
        let likeness = known.get(key)
        if (likeness === undefined) {
          await idle()
          if (signal.aborted) return
          // Markup that no SVG can hold has no figure; the other bands have theirs.
          const drawn = await drawBand(parts, html, email.width, tall).catch(() => null)
          if (!drawn) continue
          likeness = await likenessOf(drawn, drawDesign(picture, stretch, email.width, tall))
          known.set(key, likeness)
        }
        if (signal.aborted) return
        found.set(id, likeness)
      }
      store.setState(found, true)
    }
    return () => {
      clearTimeout(wait)
      stop.abort()
    }
  }, [email, parts, plan, design, wide, store, known])
  return store
}

const idle = () =>
  new Promise<void>((go) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(go, 50)
    else requestIdleCallback(() => go(), { timeout: 1000 })
  })

async function loaded(address: string): Promise<HTMLImageElement> {
  const image = new Image()
  image.src = address
  await image.decode()
  return image
}

let worker: Worker | null = null
let calls = 0
const waiting = new Map<number, (likeness: number) => void>()

/** SSIM of two pictures, computed away from the page. */
function likenessOf(a: ImageData, b: ImageData): Promise<number> {
  if (!worker) {
    worker = new Worker(new URL('../../../workers/likeness.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<LikenessAnswer>) => {
      waiting.get(data.call)?.(data.likeness)
      waiting.delete(data.call)
    }
  }
  const call = ++calls
  const pixels = ({ data, width, height }: ImageData) => ({ data, width, height })
  const message: LikenessCall = { call, a: pixels(a), b: pixels(b) }
  worker.postMessage(message, [a.data.buffer, b.data.buffer])
  return new Promise((resolve) => waiting.set(call, resolve))
}
