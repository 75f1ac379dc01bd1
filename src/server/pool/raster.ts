import { readFile } from 'node:fs/promises'
import sharp from 'sharp'
import type { Raster } from '@/core/cut/raster'

/** The pixels of a picture's file as RGBA, without alpha left in it. */
export async function decodeRaster(file: string): Promise<Raster & { data: Buffer }> {
  const { data, info } = await sharp(await readFile(file))
    .flatten({ background: '#ffffff' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}

let last: { file: string; raster: Promise<Raster & { data: Buffer }> } | null = null

/** The same, remembered for the next that asks for it: the crops of a design come one after the other. */
export function rasterOf(file: string): Promise<Raster & { data: Buffer }> {
  // Pictures are named by their bytes, so a file never changes.
  if (last?.file !== file) last = { file, raster: decodeRaster(file) }
  return last.raster
}
