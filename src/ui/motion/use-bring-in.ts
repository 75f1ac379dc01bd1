import { useCallback, useEffect, useState } from 'react'
import { toast } from '../parts/toast'
import { measureBand } from '@/core/email/measures'
import { newTile } from '@/core/tiles'
import { call } from '../api'
import type { EmailWork } from '../bench/email-work'
import { bringIn, type Target } from './bring-in'
import type { PictureTile } from './moving'

/** What a picture brought in does away with. */
const anew = { motion: undefined, standsFor: undefined, stillPicture: undefined, crop: undefined }

/** Bringing in from files, the clipboard and addresses. */
export function useBringIn(work: EmailWork) {
  const [busy, setBusy] = useState<{ what: string; cancel: () => void } | null>(null)
  const { email, selection, apply, select } = work
  const target = useCallback((): Target | null => {
    const { band, cell, tile } = selection
    const into = cell ?? (band ?? email.bands[0])?.cells[0]
    const of = band ?? email.bands[0]
    if (!into || !of) return null
    const content = measureBand(of, email.width).get(into.id)?.content ?? email.width
    const own = tile?.kind === 'picture' ? tile : null
    const at = tile ? into.items.findIndex((i) => i.id === tile.id) + 1 : into.items.length
    return { tile: own, cell: into.id, at, available: Math.round(content) }
  }, [selection, email])
  const files = useCallback(
    async (list: File[]) => {
      const into = target()
      if (!list.length || !into) return
      const stop = new AbortController()
      setBusy({ what: `Bringing in ${list[0]!.name}`, cancel: () => stop.abort() })
      try {
        const { edit, id } = await bringIn(list, into, stop.signal)
        apply('bring in a moving picture', edit)
        select(id)
      } catch (error) {
        if ((error as Error).name !== 'AbortError') toast.error((error as Error).message, { duration: 9000 })
      } finally {
        setBusy(null)
      }
    },
    [target, apply, select],
  )
  const address = useCallback(
    async (from: string) => {
      const into = target()
      if (!into) return
      try {
        const picture = await call('POST /api/pictures', { body: { address: from } })
        const set = { ...anew, picture }
        if (into.tile)
          apply('bring in a picture', { name: 'setTile', what: { id: into.tile.id, kind: 'picture', set } })
        else {
          const made = {
            ...(newTile('picture') as PictureTile),
            picture,
            width: Math.min(into.available, picture.width),
          }
          apply('bring in a picture', { name: 'addTile', what: { cell: into.cell, at: into.at, tile: made } })
          select(made.id)
        }
      } catch (error) {
        toast.error((error as Error).message, { duration: 9000 })
      }
    },
    [target, apply, select],
  )
  useEffect(() => {
    const pasted = (e: ClipboardEvent) => {
      const list = [...(e.clipboardData?.files ?? [])].filter((f) => /^(image|video)\//.test(f.type))
      if (!list.length) return
      e.preventDefault()
      void files(list)
    }
    addEventListener('paste', pasted)
    return () => removeEventListener('paste', pasted)
  }, [files])
  return { files: (list: File[]) => void files(list), address: (from: string) => void address(from), busy }
}
