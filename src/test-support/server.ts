import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { crc32, deflateSync } from 'node:zlib'
import sharp from 'sharp'
import type { PictureRef } from '@/core/picture/ref'
import { decodeRaster } from '@/server/pool/raster'

/** A data folder of its own for a test file; to be called before anything of the server is used. */
export function ownData(): void {
  const folder = mkdtempSync(join(tmpdir(), 'mosaicus-'))
  process.env.MOSAICUS_DATA = folder
  afterAll(async () => {
    const { closePool } = await import('@/server/pool')
    await closePool()
    rmSync(folder, { recursive: true, force: true })
  })
}

/** Takes in a design of one board. */
export async function takeInDesign(bytes: Buffer, name: string): Promise<PictureRef> {
  const { takeInBoard } = await import('@/server/designs/take-in')
  return (await takeInBoard(bytes, name)).picture
}

/** The pixels of a kept picture. */
export async function rasterFor(id: string) {
  const { fileOf } = await import('@/server/pictures/store')
  return decodeRaster(fileOf(id))
}

/** A picture with some substance: slopes, a disc and, unless told otherwise, grain. */
export async function samplePng(width: number, height: number, grain = true): Promise<Buffer> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="#123a5a"/><stop offset="1" stop-color="#e0a060"/></linearGradient><filter id="n"><feTurbulence baseFrequency="0.7" numOctaves="2" seed="3"/><feColorMatrix values="0 0 0 0 .5 0 0 0 0 .5 0 0 0 0 .5 .15 0 0 0 0"/></filter></defs><rect width="100%" height="100%" fill="url(#g)"/><circle cx="${width * 0.6}" cy="${height * 0.4}" r="${height * 0.25}" fill="#fff1c8"/>${grain ? '<rect width="100%" height="100%" filter="url(#n)"/>' : ''}</svg>`
  return sharp(Buffer.from(svg)).flatten().png().toBuffer()
}

/** An animated GIF of two frames that differ. */
export const sampleGif = (): Promise<Buffer> =>
  sharp(Buffer.from(Array.from({ length: 40 * 60 * 3 }, (_, i) => (i < 40 * 30 * 3 ? 30 : 220))), {
    raw: { width: 40, height: 60, channels: 3, pageHeight: 30 },
  })
    .gif({ loop: 0, delay: [100, 100] })
    .toBuffer()

/**
 * A PNG that claims a size (PNG, third edition, 5.3 and 11.2.1) and holds next to nothing: what a
 * decompression bomb looks like from outside.
 */
export function emptyPng(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
    const length = Buffer.alloc(4),
      sum = Buffer.alloc(4)
    length.writeUInt32BE(data.length)
    sum.writeUInt32BE(crc32(body))
    return Buffer.concat([length, body, sum])
  }
  const header = Buffer.alloc(13)
  header.writeUInt32BE(width, 0)
  header.writeUInt32BE(height, 4)
  header.set([8, 2, 0, 0, 0], 8)
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.alloc(100))),
    chunk('IEND', Buffer.alloc(0)),
  ])
}
