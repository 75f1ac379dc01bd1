import type { PictureRef } from '@/core/picture/ref'
import { call, formOf } from '../api'
import type { Drawn } from './engine'

export type Still = PictureRef

/** The first frame as a picture of its own. Throws an ApiProblem. */
export async function firstFrame({ width, height, frames }: Drawn, signal?: AbortSignal): Promise<Still> {
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  const pixels = frames[0]!.data as Uint8ClampedArray<ArrayBuffer>
  canvas.getContext('2d')!.putImageData(new ImageData(pixels, width, height), 0, 0)
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  const file = new File([blob!], 'first.png', { type: 'image/png' })
  return call('POST /api/pictures', { form: formOf({ picture: file }), signal })
}
