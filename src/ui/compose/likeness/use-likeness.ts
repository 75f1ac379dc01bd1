import { useEffect, useMemo, useState } from 'react'
import { createStore, type StoreApi } from 'zustand'
import { guessSize } from '@/core/cut/density'
import { narrowStretchesOf, stretchesOf, type DesignStretch } from '@/core/cut/stretches'
import type { CutPlan } from '@/core/cut/plan'
import { PHONE } from '../../bench/email-lenses'
import type { EmailWork } from '../../bench/email-work'
import type { Measured } from '../measured'
import { idle } from '../../parts/slices'
import { likenessOf } from './compared'
import { drawBand, drawDesign } from './draw'

/** How alike each band and its place in a design are (SSIM, 0 to 1), by the band's id. */
export type Likeness = ReadonlyMap<string, number>

/** Likeness to the design, and to the one for phones where there is one. */
export interface Likenesses {
  wide: StoreApi<Likeness>
  narrow: StoreApi<Likeness>
}

/** How long an email rests before its bands are compared, ms. */
const REST = 1500
/** Bands taller than this are compared down to here, px. */
const TALLEST = 3000

/** A design that bands are compared with. */
interface Against {
  /** Its picture. */
  id: string
  /** Width at which both are drawn, px. */
  width: number
  /** Design px for each of those. */
  scale: number
  stretches: ReadonlyMap<string, DesignStretch>
}

/**
 * Compares each band with its place in the design, and in the one for phones, at their widths.
 * @param wide where the bands stand in the wide lens
 */
export function useLikeness(work: EmailWork, plan: CutPlan, wide: StoreApi<Measured>): Likenesses {
  const { email, job } = work
  const { design, narrow } = job
  const whole = useMemo(
    () =>
      design && {
        id: design.id,
        width: email.width,
        scale: design.scale,
        stretches: stretchesOf(email, plan, design.height),
      },
    [email, plan, design],
  )
  const small = useMemo(() => {
    if (!narrow || !plan.onNarrow) return null
    const { narrow: told, emailWidth } = guessSize(narrow.width)
    const width = told ? emailWidth : PHONE
    return { id: narrow.id, width, scale: narrow.width / width, stretches: narrowStretchesOf(email, plan) }
  }, [email, plan, narrow])
  return { wide: useCompared(work, whole, wide), narrow: useCompared(work, small) }
}

/**
 * Compares bands with a design, one after the other while nothing else is to be done; what did not change is not compared again.
 * @param measured how tall the bands are at that width; as tall as in the design where nothing tells
 */
function useCompared(
  { parts }: EmailWork,
  against: Against | null,
  measured?: StoreApi<Measured>,
): StoreApi<Likeness> {
  const [store] = useState(() => createStore<Likeness>(() => new Map()))
  const [known] = useState(() => new Map<string, number>())
  useEffect(() => {
    if (!against) return
    const of = against
    let stop = new AbortController()
    const begin = () => {
      stop.abort()
      stop = new AbortController()
      // A design that cannot be loaded is said by its lens.
      void compare(stop.signal).catch(() => {})
    }
    let wait = setTimeout(begin, REST)
    // Bands are measured later than they are there, and anew when their letters come: what was compared keeps its figure.
    const leave = measured?.subscribe(() => {
      clearTimeout(wait)
      wait = setTimeout(begin, REST)
    })
    async function compare(signal: AbortSignal): Promise<void> {
      const picture = await loaded(`/api/pictures/${of.id}`)
      const found = new Map<string, number>()
      const marks = measured?.getState().marks
      for (const { id, html } of parts.bands) {
        const stretch = of.stretches.get(id)
        if (!stretch) continue
        const designed = Math.max(1, Math.round(stretch.height / of.scale))
        const height = marks ? Math.round(marks.get(id)?.height ?? 0) : designed
        if (!height) continue
        const tall = Math.min(TALLEST, Math.max(height, designed))
        const key = [of.id, stretch.top, stretch.height, tall, parts.before.length, html].join('|')
        let likeness = known.get(key)
        if (likeness === undefined) {
          await idle()
          if (signal.aborted) return
          // Markup that no SVG can hold has no figure; the other bands have theirs.
          const drawn = await drawBand(parts, html, of.width, tall).catch(() => null)
          if (!drawn) continue
          likeness = await likenessOf(drawn, drawDesign(picture, stretch, of.width, tall))
          known.set(key, likeness)
        }
        if (signal.aborted) return
        found.set(id, likeness)
        // Each is shown as it is known; those that are not compared yet keep what they had.
        store.setState((before) => new Map([...before, ...found]), true)
      }
      store.setState(found, true)
    }
    return () => {
      leave?.()
      clearTimeout(wait)
      stop.abort()
    }
  }, [parts, against, measured, store, known])
  return store
}

async function loaded(address: string): Promise<HTMLImageElement> {
  const image = new Image()
  image.src = address
  await image.decode()
  return image
}
