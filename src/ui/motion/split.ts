import { useEffect, useState } from 'react'
import { newId } from '@/core/email/defaults'
import { placeOf } from '@/core/email/walk'
import type { Motion } from '@/core/motion/schema'
import { newTile } from '@/core/tiles'
import type { EmailWork } from '../bench/email-work'
import { call } from '../api'
import { toast } from '../parts/toast'
import { encode, type Drawn } from './engine'
import { firstFrame, type Still } from './first-frame'
import type { MovingTile, PictureTile } from './moving'
import { settingsOf, type MotionWork } from './use-motion'

/** A slot as stills and a stripe that moves. */
export interface Split {
  /** Where the stripe lies, px as shown. */
  top: number
  bottom: number
  above: Still | null
  below: Still | null
  /** The part of the picture that never changes, 0 to 1. */
  still: number
  /** Of the stills and the stripe. */
  bytes: number
}

/** How long a finished file rests before a split of it is weighed, ms. */
const REST = 1000

/** What a slot comes to as stills above and below a stripe that moves; null where too much of it moves. */
async function weighed(drawn: Drawn, motion: Motion, signal: AbortSignal): Promise<Split | null> {
  const asked = {
    kind: 'stripe' as const,
    sequence: drawn,
    settings: settingsOf(motion),
    height: motion.height,
  }
  const { stripe } = await encode(asked, { signal })
  if (!stripe) return null
  const whole = await firstFrame(drawn, signal)
  const row = (px: number) => Math.round((px * drawn.height) / motion.height)
  const part = async (from: number, to: number): Promise<Still | null> =>
    from === to
      ? null
      : call('POST /api/pictures/:picture/parts', {
          params: { picture: whole.id },
          body: { x: 0, y: row(from), w: drawn.width, h: row(to) - row(from) },
          signal,
        })
  const { top, bottom, still } = stripe
  const [above, below] = await Promise.all([part(0, top), part(bottom, motion.height)])
  return { top, bottom, above, below, still, bytes: stripe.bytes + (above?.bytes ?? 0) + (below?.bytes ?? 0) }
}

/** Weighs what a split would come to, once the file of the chosen picture is made and rests. */
export function useSplit(own: MotionWork, chosen: MovingTile | null, motion: Motion | null): Split | null {
  const [found, setFound] = useState<{ of: Drawn; split: Split | null } | null>(null)
  const { drawn, busy } = own
  const rests =
    !!drawn && !busy && !!motion?.key && motion.made.kind !== 'countdown' && !!chosen?.tile.picture
  useEffect(() => {
    if (!rests || !drawn || !motion) return
    const stop = new AbortController()
    const wait = setTimeout(
      () =>
        weighed(drawn, motion, stop.signal).then(
          (split) => setFound({ of: drawn, split }),
          // What cannot be weighed is not offered.
          () => {},
        ),
      REST,
    )
    return () => {
      clearTimeout(wait)
      stop.abort()
    }
    // The drawing stands for the values that are seen; the key for those of the file.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [rests, drawn, motion?.key])
  return found && found.of === drawn ? found.split : null
}

/** Parts a slot into a still above, a stripe that moves, and a still below, as wide as before. One step of undo. */
export function splitOff(work: EmailWork, { tile, width }: MovingTile, motion: Motion, split: Split): void {
  const place = placeOf(work.email, tile.id)
  if (!place) return
  const { above, below, top, bottom } = split
  const { padding } = tile
  const still = (picture: Still): PictureTile => ({
    ...(newTile('picture') as PictureTile),
    id: newId(),
    picture,
    alt: '',
    link: tile.link,
    width,
    align: tile.align,
    show: tile.show,
    padding: { ...padding, top: 0, bottom: 0 },
  })
  const moving: PictureTile = {
    ...tile,
    width,
    percent: undefined,
    padding: { ...padding, top: above ? 0 : padding.top, bottom: below ? 0 : padding.bottom },
    motion: {
      ...motion,
      height: bottom - top,
      window: { top: (motion.window?.top ?? 0) + top, of: motion.window?.of ?? motion.height },
      key: undefined,
    },
  }
  const at = place.cell.items.findIndex((i) => i.id === tile.id)
  const cell = place.cell.id
  const add = (picture: Still | null, at: number, side: 'top' | 'bottom') =>
    picture
      ? [
          {
            name: 'addTile' as const,
            what: { cell, at, tile: { ...still(picture), padding: { ...padding, [side]: 0 } } },
          },
        ]
      : []
  work.apply('split the slot', [
    { name: 'replaceTile', what: { id: tile.id, tile: moving } },
    ...add(below, at + 1, 'top'),
    ...add(above, at, 'bottom'),
  ])
  toast.success('Split. What the stills show is to be said in words: their alt texts are empty.')
}
