import { useEffect, useState } from 'react'
import type { Parts } from '@/core/compile'
import type { Forecast } from '@/core/readers/forecast'
import { profiles, type Profile } from '@/core/readers/profiles'
import { nightOf } from '../../bench/night'
import { drawBand } from '../../compose/likeness/draw'
import { likenessOf } from '../../compose/likeness/compared'
import { idle } from '../../parts/slices'
import { heightsOf } from './measure'

/** A reader's picture of the email in one of its windows, and how like the email as written it is (SSIM, 0 to 1). */
export interface ReaderPicture {
  /** Width of the window, px. */
  width: number
  picture: ImageBitmap
  likeness: number
}

/** The pictures of each reader, by its id. */
export type Wall = ReadonlyMap<string, readonly ReaderPicture[]>

/** How wide a picture is that stands for a wide window, px; of a narrow one it is in proportion. */
const SMALL = 0.12
/** Bands taller than this are drawn down to here, px. */
const TALLEST = 3000

interface Drawn {
  small: ImageBitmap
  likeness: number
  /** px */
  height: number
}

/** Windows of a reader, px. */
export const windowsOf = ({ windows }: Profile): number[] =>
  [windows.wide, windows.narrow].filter((w): w is number => w !== null)

/**
 * Draws every reader's email in small, one band after another while nothing else is to be done; a band that did not change is neither
 * drawn nor compared again.
 */
export function useWall(parts: Parts, forecasts: ReadonlyMap<string, Forecast>, night: boolean): Wall {
  const [wall, setWall] = useState<Wall>(new Map())
  const [studio] = useState(() => new Studio())
  useEffect(() => {
    const stop = new AbortController()
    const written = night ? nightOf(parts) : parts
    const begin = async () => {
      for (const reader of profiles) {
        const forecast = forecasts.get(reader.id)
        if (!forecast) continue
        const pictures: ReaderPicture[] = []
        for (const width of windowsOf(reader)) {
          const picture = await studio.picture(forecast.parts, written, width, stop.signal)
          if (stop.signal.aborted) return
          if (picture) pictures.push({ width, ...picture })
        }
        setWall((now) => new Map([...now, [reader.id, pictures]]))
      }
      studio.tidy()
    }
    // A reader that cannot be drawn has no picture; its lens shows it all the same.
    void begin().catch(() => {})
    return () => stop.abort()
  }, [parts, forecasts, night, studio])
  return wall
}

/** Draws emails, and remembers what it drew. */
class Studio {
  private heights = new Map<string, ReadonlyMap<string, number>>()
  private drawn = new Map<string, Drawn>()
  private used = new Set<string>()

  async picture(
    shown: Parts,
    written: Parts,
    width: number,
    signal: AbortSignal,
  ): Promise<{ picture: ImageBitmap; likeness: number } | null> {
    const [mine, asWritten] = [await this.measured(shown, width), await this.measured(written, width)]
    const strips: Drawn[] = []
    for (const band of shown.bands) {
      if (signal.aborted) return null
      const other = written.bands.find((b) => b.id === band.id)
      const height = Math.min(TALLEST, mine.get(band.id) ?? 0)
      const full = Math.min(TALLEST, Math.max(height, asWritten.get(band.id) ?? 0))
      if (!full || !other) continue
      strips.push(
        await this.strip({ shown, html: band.html, height }, { written, html: other.html }, width, full),
      )
    }
    return strips.length ? joined(strips, width) : null
  }

  /** Forgets what no email of now shows. */
  tidy(): void {
    for (const key of this.drawn.keys()) if (!this.used.has(key)) this.drawn.delete(key)
    this.used.clear()
  }

  private async measured(parts: Parts, width: number): Promise<ReadonlyMap<string, number>> {
    const key = `${width}|${parts.before}|${parts.bands.map((b) => b.html).join('')}`
    let known = this.heights.get(key)
    if (!known) {
      if (this.heights.size > 60) this.heights.clear()
      this.heights.set(key, (known = await heightsOf(parts, width)))
    }
    return known
  }

  private async strip(
    mine: { shown: Parts; html: string; height: number },
    other: { written: Parts; html: string },
    width: number,
    full: number,
  ): Promise<Drawn> {
    const key = [
      width,
      full,
      mine.height,
      mine.shown.before,
      other.written.before,
      mine.html,
      other.html,
    ].join('|')
    this.used.add(key)
    const known = this.drawn.get(key)
    if (known) return known
    await idle()
    const a = await drawBand(mine.shown, mine.html, width, full)
    const height = mine.height
    const alike = mine.html === other.html && mine.shown.before === other.written.before
    const small = await createImageBitmap(a, 0, 0, width, Math.max(1, height), {
      resizeWidth: Math.max(1, Math.round(width * SMALL * 2)),
      resizeHeight: Math.max(1, Math.round(height * SMALL * 2)),
      resizeQuality: 'high',
    })
    const drawn = { small, height, likeness: alike ? 1 : await this.compared(a, other, width, full) }
    this.drawn.set(key, drawn)
    return drawn
  }

  private async compared(
    a: ImageData,
    { written, html }: { written: Parts; html: string },
    width: number,
    full: number,
  ): Promise<number> {
    await idle()
    return likenessOf(a, await drawBand(written, html, width, full))
  }
}

/** Bands beneath each other, and their likeness by how tall they are. */
async function joined(
  strips: readonly Drawn[],
  width: number,
): Promise<{ picture: ImageBitmap; likeness: number }> {
  const tall = strips.reduce((sum, s) => sum + s.small.height, 0)
  const canvas = new OffscreenCanvas(Math.round(width * SMALL * 2), Math.max(1, tall))
  const pen = canvas.getContext('2d')!
  let top = 0
  let weighed = 0
  for (const { small, likeness } of strips) {
    pen.drawImage(small, 0, top)
    top += small.height
    weighed += likeness * small.height
  }
  return { picture: canvas.transferToImageBitmap(), likeness: weighed / Math.max(1, tall) }
}
