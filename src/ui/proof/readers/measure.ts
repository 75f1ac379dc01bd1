import type { Parts } from '@/core/compile'
import { bottomOf, measureAll } from '../../bench/measures'
import { firstOf } from '../../bench/live-frame'
import { inTurn } from '../../parts/slices'

/** How long what a frame loads is waited for, ms. */
const PATIENCE = 6000

/** Stands for the whole of an email that has no bands. */
export const WHOLE = ''

/** How tall each band of an email is in a window, px, by its id; found in a frame out of sight that runs no script. */
export async function heightsOf(parts: Parts, width: number): Promise<ReadonlyMap<string, number>> {
  await inTurn()
  const frame = document.createElement('iframe')
  frame.setAttribute('sandbox', 'allow-same-origin')
  frame.setAttribute('aria-hidden', 'true')
  frame.tabIndex = -1
  Object.assign(frame.style, {
    position: 'fixed',
    left: '-10000px',
    top: '0',
    width: `${width}px`,
    height: '600px',
    visibility: 'hidden',
  })
  const loaded = new Promise<void>((go) => {
    frame.onload = () => go()
    setTimeout(go, PATIENCE)
  })
  frame.srcdoc = firstOf(parts, 'own')
  document.body.append(frame)
  try {
    await loaded
    const doc = frame.contentDocument
    if (!doc?.body) return new Map()
    await Promise.race([doc.fonts.ready, new Promise((go) => setTimeout(go, PATIENCE))])
    if (!parts.bands.length) return new Map([[WHOLE, Math.round(bottomOf(doc))]])
    const marks = measureAll(doc)
    return new Map(parts.bands.map(({ id }) => [id, Math.round(marks.get(id)?.height ?? 0)]))
  } finally {
    frame.remove()
  }
}
