import { useEffect, useState } from 'react'
import type { Parts } from '@/core/compile'
import type { Forecast } from '@/core/readers/forecast'
import { profiles, windowsOf } from '@/core/readers/profiles'
import { dayOf, nightOf } from '../../bench/night'
import { drawBands } from '../../compose/likeness/draw'
import { likenessOf } from '../../compose/likeness/compared'
import { idle } from '../../parts/slices'
import { heightsOf, WHOLE } from './measure'

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

/**
 * Draws every reader's email in small, one band after another while nothing else is to be done; a band that did not change is neither
 * drawn nor compared again.
 */
export function useWall(parts: Parts, forecasts: ReadonlyMap<string, Forecast>, night: boolean): Wall {
  const [wall, setWall] = useState<Wall>(new Map())
  const [studio] = useState(() => new Studio())
  useEffect(() => {
    const stop = new AbortController()
    const written = night ? nightOf(parts) : dayOf(parts)
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

/** Bands are drawn together up to so much height, px: more would hold the page. */
const TOGETHER = 5000
/** They are drawn in half: comparing looks no closer. */
const SCALE = 0.5

/** A band to be drawn as a reader shows it and as it was written. */
interface Wanted {
  key: string
  mine: string
  written: string
  /** How tall it is in the reader, and the taller of both, px. */
  height: number
  full: number
}

/** Draws emails, and remembers what it drew. */
class Studio {
  private heights = new Map<string, ReadonlyMap<string, number>>()
  private drawn = new Map<string, Drawn>()
  private used = new Set<string>()
  /** Kept while one wall is drawn. */
  private written = new Map<string, ImageData>()

  async picture(
    shown: Parts,
    written: Parts,
    width: number,
    signal: AbortSignal,
  ): Promise<{ picture: ImageBitmap; likeness: number } | null> {
    const wanted = await this.wanted(shown, written, width)
    const missing = wanted.filter((w) => !this.drawn.has(w.key))
    for (const batch of batches(missing)) {
      await idle()
      if (signal.aborted) return null
      await this.draw(batch, shown, written, width)
    }
    const strips = wanted.flatMap((w) => this.drawn.get(w.key) ?? [])
    return strips.length ? joined(strips, width) : null
  }

  /** Forgets what no email of now shows. */
  tidy(): void {
    for (const key of this.drawn.keys()) if (!this.used.has(key)) this.drawn.delete(key)
    this.used.clear()
    this.written.clear()
  }

  private async wanted(shown: Parts, written: Parts, width: number): Promise<Wanted[]> {
    const [mine, other] = [await this.measured(shown, width), await this.measured(written, width)]
    const asWritten = new Map(bandsOf(written).map((b) => [b.id, b.html]))
    return bandsOf(shown).flatMap(({ id, html }): Wanted[] => {
      const height = Math.min(TALLEST, mine.get(id) ?? 0)
      const full = Math.min(TALLEST, Math.max(height, other.get(id) ?? 0))
      const made = asWritten.get(id)
      if (!full || made === undefined) return []
      const key = [width, full, height, shown.before, written.before, html, made].join('|')
      this.used.add(key)
      return [{ key, mine: html, written: made, height, full }]
    })
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

  private async draw(batch: readonly Wanted[], shown: Parts, written: Parts, width: number): Promise<void> {
    const same = shown.before === written.before && batch.every((w) => w.mine === w.written)
    const other = await this.asWritten(batch, written, width)
    const mine = same ? other : await drawBands(aroundOf(shown), boxesOf(batch, 'mine'), width, SCALE)
    for (const [i, { key, height }] of batch.entries()) {
      const small = await smallOf(mine[i]!, Math.max(1, height * SCALE))
      const likeness = same ? 1 : await likenessOf(copyOf(mine[i]!), copyOf(other[i]!))
      this.drawn.set(key, { small, height, likeness })
    }
  }

  /** The bands as they were written, which many readers are compared with. */
  private async asWritten(batch: readonly Wanted[], written: Parts, width: number): Promise<ImageData[]> {
    const keys = batch.map((w) => [width, w.full, written.before, w.written].join('|'))
    const missing = batch.filter((_, i) => !this.written.has(keys[i]!))
    if (missing.length) {
      const drawn = await drawBands(aroundOf(written), boxesOf(missing, 'written'), width, SCALE)
      missing.forEach((w, i) => this.written.set(keys[batch.indexOf(w)]!, drawn[i]!))
      await idle()
    }
    return keys.map((k) => this.written.get(k)!)
  }
}

const boxesOf = (batch: readonly Wanted[], of: 'mine' | 'written') =>
  batch.map((w) => ({ html: w[of], height: w.full }))
/** Pixels to be given away. */
const copyOf = ({ data, width, height }: ImageData): ImageData => new ImageData(data.slice(), width, height)

/** An email that has no bands is drawn as one. */
const bandsOf = ({ before, bands, after }: Parts): Parts['bands'] =>
  bands.length ? bands : [{ id: WHOLE, html: before + after }]
const aroundOf = (parts: Parts): Pick<Parts, 'before' | 'after'> =>
  parts.bands.length ? parts : { before: '', after: '' }

/** Bands that are drawn together. */
function batches(wanted: readonly Wanted[]): Wanted[][] {
  const out: Wanted[][] = []
  let tall = 0
  for (const w of wanted) {
    if (!out.length || tall + w.full > TOGETHER) {
      out.push([])
      tall = 0
    }
    out.at(-1)!.push(w)
    tall += w.full
  }
  return out
}

/** A band in small, twice as fine as it is shown. @param height of it that is seen, in its pixels */
const smallOf = (pixels: ImageData, height: number): Promise<ImageBitmap> =>
  createImageBitmap(pixels, 0, 0, pixels.width, height, {
    resizeWidth: Math.max(1, Math.round((pixels.width / SCALE) * SMALL * 2)),
    resizeHeight: Math.max(1, Math.round((height / SCALE) * SMALL * 2)),
    resizeQuality: 'high',
  })

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
