import { useEffect, useState } from 'react'
import { readGif } from '@/core/motion/gif/read'
import { motionDefaults, type Motion } from '@/core/motion/schema'
import { UNSAID } from '@/core/motion/strip-edits'
import type { PictureRef } from '@/core/picture/ref'
import type { MovingTile } from './moving'

/** The frames of a moving picture that was brought in, as a strip: it stands in the document once it is changed. */
async function stripOf(picture: PictureRef, width: number): Promise<Motion> {
  const bytes = new Uint8Array(await (await fetch(`/api/pictures/${picture.id}`)).arrayBuffer())
  const { frames, loop } = readGif(bytes)
  return {
    ...motionDefaults,
    colors: 256,
    made: {
      kind: 'strip',
      pictures: [picture],
      frames: frames.slice(0, 400).map((f, page) => ({ of: 0, page, delay: f.delay || UNSAID })),
    },
    height: Math.max(1, Math.round((width * picture.height) / picture.width)),
    density: Math.max(0.25, Math.min(3, Math.round((picture.width / width) * 100) / 100)),
    loop,
  }
}

/** How the chosen picture is made: as its tile says, or as a strip of what its file holds. */
export function useMotionOf(chosen: MovingTile | null): Motion | null {
  const [strip, setStrip] = useState<{ id: string; motion: Motion } | null>(null)
  const tile = chosen?.tile
  const picture = tile?.motion ? null : tile?.picture
  const id = picture?.moving ? picture.id : null
  useEffect(() => {
    if (!id || !picture || !chosen) return
    let current = true
    stripOf(picture, chosen.width).then(
      (motion) => current && setStrip({ id, motion }),
      () => current && setStrip(null),
    )
    return () => {
      current = false
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, chosen?.width])
  return tile?.motion ?? (strip && strip.id === id ? strip.motion : null)
}
