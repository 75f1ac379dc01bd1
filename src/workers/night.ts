import { edgesOf, vanishes, type Edges } from '@/core/night/edges'
import { flattened, freed, haloed, lightened, plated } from '@/core/night/mends'
import type { Rgba } from '@/core/picture/ssim'

/** What can be done to a picture for the night. */
export type Mend =
  | { kind: 'halo'; color: string; width: number }
  | { kind: 'plate'; color: string; radius: number }
  | { kind: 'flat'; ground: string }
  | { kind: 'light' }
  | { kind: 'free'; box: string }

/** A picture to be measured on grounds, or mended. */
export type NightCall =
  | { address: string; kind: 'measure'; grounds: readonly string[] }
  | { address: string; kind: 'mend'; mend: Mend }

export type NightAnswer = { edges: Edges; gone: number[] } | { png: Blob } | { error: string }

self.onmessage = ({ data }: MessageEvent<NightCall>) =>
  void answer(data).then(
    (a) => self.postMessage(a),
    (error: Error) => self.postMessage({ error: error.message } satisfies NightAnswer),
  )

async function answer(call: NightCall): Promise<NightAnswer> {
  const response = await fetch(call.address)
  if (!response.ok) throw new Error('The picture could not be read. Put it in again.')
  const bitmap = await createImageBitmap(await response.blob())
  const { width, height } = bitmap
  const canvas = new OffscreenCanvas(width, height)
  const pen = canvas.getContext('2d', { willReadFrequently: true })!
  pen.drawImage(bitmap, 0, 0)
  const picture = { width, height, data: pen.getImageData(0, 0, width, height).data }
  if (call.kind === 'measure') {
    const edges = edgesOf(picture)
    return { edges, gone: call.grounds.map((g) => vanishes(edges, g)) }
  }
  const { data } = mended(picture, call.mend)
  pen.putImageData(new ImageData(Uint8ClampedArray.from(data), width, height), 0, 0)
  return { png: await canvas.convertToBlob({ type: 'image/png' }) }
}

function mended(picture: Rgba, mend: Mend): Rgba {
  if (mend.kind === 'halo') return haloed(picture, mend.color, mend.width)
  if (mend.kind === 'plate') return plated(picture, mend.color, mend.radius)
  if (mend.kind === 'flat') return flattened(picture, mend.ground)
  return mend.kind === 'free' ? freed(picture, mend.box) : lightened(picture)
}
