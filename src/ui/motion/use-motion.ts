'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { toast } from '../parts/toast'
import type { Point } from '@/core/motion/brought'
import { keyOf } from '@/core/motion/key'
import { recipeOf } from '@/core/motion/recipes'
import type { GifSettings } from '@/core/motion/gif/write'
import type { Motion } from '@/core/motion/schema'
import type { WrittenFile } from '@/workers/motion/encode'
import type { EmailWork } from '../bench/email-work'
import { call, formOf } from '../api'
import { drawMotion, encode, type Drawn } from './engine'
import { firstFrame } from './first-frame'
import type { MovingTile, PictureTile } from './moving'

/** How long values rest before the picture is drawn, and before it is encoded, ms. */
const DRAW_REST = 60
const ENCODE_REST = 500

/** How far it is. */
export interface Busy {
  what: string
  done: number
  cancel: () => void
}

/** What the true encoding came to. */
export type Made = Omit<WrittenFile, 'bytes'> & {
  /** Of the picture that it became. */
  picture: string
}

/** Colours that have to come out exactly: the ground that the picture melts into. */
export function pinnedOf({ made }: Motion): number[] {
  const ground = 'ground' in made && made.ground !== 'clear' ? made.ground : null
  return ground ? [Number.parseInt(ground.slice(1), 16)] : []
}

export const settingsOf = (motion: Motion): GifSettings => ({
  colors: motion.colors,
  dither: motion.dither,
  loss: motion.loss,
  pinned: pinnedOf(motion),
})

/** What is drawn, and of which values. */
interface DrawnState {
  key: string | null
  drawn: Drawn | null
  problem: string | null
}

export type SetBusy = (busy: Busy | null) => void

/** Draws the chosen moving picture as soon as its values rest a moment. */
function useDrawn(
  { style, email }: EmailWork,
  chosen: MovingTile | null,
  motion: Motion | null,
  setBusy: SetBusy,
): DrawnState {
  const [state, setState] = useState<(DrawnState & { id: string }) | null>(null)
  const id = chosen?.tile.id ?? null
  const width = chosen?.width ?? 0
  const { webFonts } = style
  const { dir, lang } = email
  // The key and the budget change nothing that is seen.
  const key = motion && width ? keyOf(motion, width) : null
  const latest = useRef(motion)
  latest.current = motion
  useEffect(() => {
    const wanted = latest.current
    if (!key || !id || !wanted) return
    let current = true
    const settle = (drawn: Drawn | null, problem: string | null) => {
      if (!current) return
      setState((was) => {
        const before = was?.id === id ? was : null
        return drawn
          ? { id, key, drawn, problem }
          : { id, key: before?.key ?? null, drawn: before?.drawn ?? null, problem }
      })
      setBusy(null)
    }
    const tell = (done: number) => {
      if (current && wanted.made.kind === 'film')
        setBusy({ what: 'Reading the film', done, cancel: () => settle(null, null) })
    }
    const wait = setTimeout(
      () =>
        void drawMotion(wanted, width, { webFonts, dir, lang }, tell).then(
          (drawn) => settle(drawn, null),
          (error: Error) => settle(null, error.message),
        ),
      DRAW_REST,
    )
    return () => {
      current = false
      clearTimeout(wait)
    }
  }, [key, width, webFonts, dir, lang, id, setBusy])
  return state && state.id === id ? state : { key: null, drawn: null, problem: null }
}

/** Makes the file once the values rest, keeps it, and puts it into the tile. */
function useEncoded(
  { amend }: EmailWork,
  tile: PictureTile | null,
  { drawn, motion, key }: { drawn: Drawn | null; motion: Motion | null; key: string | null },
  setBusy: SetBusy,
): { made: Made | null; problem: string | null } {
  const id = tile?.id ?? null
  // Whoever asks for less motion gets the first frame: from the first file on, until that is taken away.
  const calm = useRef(false)
  calm.current =
    !!tile?.stillPicture || (!!tile?.motion && tile.motion.made.kind !== 'countdown' && !tile.picture?.moving)
  const [state, setState] = useState<{ id: string; made: Made | null; problem: string | null } | null>(null)
  const latest = useRef(motion)
  latest.current = motion
  useEffect(() => {
    const wanted = latest.current
    if (!drawn || !id || !key || !wanted) return
    const own = new AbortController()
    const { signal } = own
    const busy = (done: number) => setBusy({ what: 'Encoding', done, cancel: () => own.abort() })
    async function make(motion: Motion): Promise<void> {
      try {
        busy(0)
        const asked = { kind: 'write' as const, sequence: drawn!, settings: settingsOf(motion) }
        const { written } = await encode(asked, { signal, onProgress: busy })
        const { bytes, ...facts } = written!
        const file = new File([bytes as Uint8Array<ArrayBuffer>], 'moving.gif', { type: 'image/gif' })
        const picture = await call('POST /api/pictures', { form: formOf({ picture: file }), signal })
        const still = calm.current && picture.moving ? await firstFrame(drawn!, signal) : undefined
        amend({
          name: 'setTile',
          what: {
            id: id!,
            kind: 'picture',
            set: { picture, stillPicture: still, motion: { ...motion, key: key! } },
          },
        })
        setState({ id: id!, made: { ...facts, picture: picture.id }, problem: null })
      } catch (error) {
        if ((error as Error).name !== 'AbortError')
          setState({ id: id!, made: null, problem: (error as Error).message })
      } finally {
        setBusy(null)
      }
    }
    const wait = setTimeout(() => void make(wanted), ENCODE_REST)
    return () => {
      clearTimeout(wait)
      own.abort()
    }
  }, [drawn, key, id, amend, setBusy])
  return state && state.id === id ? state : { made: null, problem: null }
}

/**
 * Draws the chosen moving picture at once, and once its values rest makes its file: no step of undo, since it is what the
 * values before it asked for.
 */
export function useMotion(work: EmailWork, chosen: MovingTile | null, motion: Motion | null) {
  const [busy, setBusy] = useState<Busy | null>(null)
  const id = chosen?.tile.id ?? null
  const refused = motion ? (recipeOf(motion.made)?.refused?.(motion.made) ?? null) : null
  const { drawn, problem, key: drawnKey } = useDrawn(work, chosen, motion, setBusy)
  const key = motion && chosen ? keyOf(motion, chosen.width) : null
  // What was only brought in is as it came.
  const stale = !refused && !!chosen?.tile.motion && key !== chosen.tile.motion.key
  const encoded = useEncoded(
    work,
    chosen?.tile ?? null,
    { drawn: stale && drawnKey === key ? drawn : null, motion, key },
    setBusy,
  )
  const { apply } = work
  const set = useCallback(
    (label: string, patch: Partial<Motion>, merge?: string) => {
      if (!id || !motion) return
      // A change drops the mark of the file that was made before it.
      const next = { ...motion, ...patch, key: 'budget' in patch ? motion.key : undefined }
      const edit = { name: 'setTile', what: { id, kind: 'picture', set: { motion: next } } } as const
      apply(label, edit, merge && `motion-${id}-${merge}`)
    },
    [id, motion, apply],
  )
  const fitting = useFitting(id, drawn, motion, setBusy)
  return {
    drawn,
    /** Whether what is shown is yet to become what the values say: figures are those of what was before. */
    pending: !refused && (stale || (!!key && drawnKey !== key)),
    busy,
    made: encoded.made,
    problem: refused ?? problem ?? encoded.problem,
    set,
    setBusy,
    ...fitting,
  }
}
export type MotionWork = ReturnType<typeof useMotion>

/** What the search found, and the values that it began from. */
export interface Search {
  base: Motion
  points: readonly Point[]
  best: Point | null
}

/** Whether two differ at most in what a search changes, so that what was found for one holds for the other. */
const sameButForTheFile = (a: Motion, b: Motion): boolean => {
  const { colors, loss, dither, density, rate } = a
  return keyOf(a, 1) === keyOf({ ...b, colors, loss, dither, density, rate }, 1)
}

/** The search for what fits a budget. What it found stays until another picture is chosen, or made of this one. */
function useFitting(id: string | null, drawn: Drawn | null, motion: Motion | null, setBusy: SetBusy) {
  const [search, setSearch] = useState<(Search & { id: string }) | null>(null)
  return {
    search: search && motion && search.id === id && sameButForTheFile(search.base, motion) ? search : null,
    async fit(budget: number): Promise<Search | null> {
      if (!drawn || !motion || !id) return null
      const own = new AbortController()
      const busy = (done: number) =>
        setBusy({ what: 'Looking for what fits', done, cancel: () => own.abort() })
      const found: Point[] = []
      const tell = (best: Point | null) => {
        const now = { id, base: motion, points: [...found], best }
        setSearch(now)
        return now
      }
      busy(0)
      try {
        const answer = await encode(
          { kind: 'fit', sequence: drawn, settings: settingsOf(motion), budget },
          {
            signal: own.signal,
            onProgress: busy,
            onPoint: (p) => {
              found.push(p)
              tell(null)
            },
          },
        )
        return tell(answer.best!)
      } catch (error) {
        if ((error as Error).name !== 'AbortError') toast.error((error as Error).message)
        return null
      } finally {
        setBusy(null)
      }
    },
  }
}

/** The values that a point of the search stands for. */
export const squeezed = (motion: Motion, { squeeze }: Point): Partial<Motion> => ({
  colors: squeeze.colors,
  loss: squeeze.loss,
  dither: squeeze.dither,
  density: Math.max(0.25, Math.round(motion.density * squeeze.size * 100) / 100),
  rate: Math.max(1, Math.round(motion.rate * squeeze.rate)),
})

/**
 * What was begun here fits its budget: where its first file weighs more, what fits is looked for and taken, as a part of its beginning rather than a step
 * of undo.
 * @returns tells which tile was begun
 */
export function useFitAtFirst(
  { amend }: EmailWork,
  chosen: MovingTile | null,
  motion: Motion | null,
  own: Pick<MotionWork, 'made' | 'pending' | 'busy' | 'fit'>,
): (id: string) => void {
  const begun = useRef<string | null>(null)
  const latest = useRef({ own, motion })
  latest.current = { own, motion }
  const id = chosen?.tile.id ?? null
  const bytes = own.made && own.made.picture === chosen?.tile.picture?.id ? chosen.tile.picture.bytes : 0
  const ready = !!bytes && !own.pending && !own.busy
  useEffect(() => {
    if (!ready || !id || !motion || begun.current !== id) return
    begun.current = null
    if (bytes <= motion.budget) return
    void latest.current.own.fit(motion.budget).then((found) => {
      // What was changed meanwhile is a person's own.
      if (!found?.best || latest.current.motion !== found.base) return
      const fits = { ...found.base, ...squeezed(found.base, found.best), key: undefined }
      amend({ name: 'setTile', what: { id, kind: 'picture', set: { motion: fits } } })
    })
  }, [ready, id, motion, bytes, amend])
  return useCallback((tile: string) => void (begun.current = tile), [])
}
