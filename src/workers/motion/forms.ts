import {
  BufferTarget,
  canEncodeVideo,
  CanvasSource,
  Mp4OutputFormat,
  Output,
  QUALITY_HIGH,
  WebMOutputFormat,
  type VideoCodec,
} from 'mediabunny'
import type { Sequence } from '@/core/motion/sequence'
import { animatedWebp, changedPatch, type WebpFrame } from '@/core/motion/webp'

/** Forms beside the GIF: as this browser encodes them. One worker makes one file; ending it cancels it. */
export type Form = 'webp' | 'film' | 'still'
export interface FormCall {
  form: Form
  sequence: Sequence
}
export interface FormFile {
  bytes: Uint8Array
  type: string
  /** Its ending, with the point. */
  ending: string
}
export type FormMessage = { progress: number } | { file: FormFile } | { error: string }

/** Quality of the frames of an animated WebP, 0 to 1 (common practice, no source). */
const WEBP_QUALITY = 0.8

const post = (message: FormMessage) => self.postMessage(message)

self.onmessage = ({ data }: MessageEvent<FormCall>) => {
  const { form, sequence } = data
  const make = { webp, film, still }[form]
  void make(sequence).then(
    (file) => post({ file }),
    (error: Error) => post({ error: error.message }),
  )
}

type Frame = Sequence['frames'][number]

/** A canvas that shows one frame after the other. @param even whether its sides have to be even, as films want them */
function screenOf({ width, height }: Sequence, even = false) {
  const [w, h] = even ? [Math.max(2, width & ~1), Math.max(2, height & ~1)] : [width, height]
  const canvas = new OffscreenCanvas(w, h)
  const pen = canvas.getContext('2d', { willReadFrequently: true })!
  const show = ({ data }: Frame) =>
    pen.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0)
  return { canvas, pen, show }
}

const bytesOf = async (canvas: OffscreenCanvas, type: string, quality?: number): Promise<Uint8Array> => {
  const blob = await canvas.convertToBlob({ type, quality })
  // A browser without that encoder answers with PNG.
  if (blob.type !== type) throw new Error(`This browser does not write ${type.split('/')[1]!.toUpperCase()}.`)
  return new Uint8Array(await blob.arrayBuffer())
}

async function still(sequence: Sequence): Promise<FormFile> {
  const { canvas, show } = screenOf(sequence)
  show(sequence.frames[0]!)
  return { bytes: await bytesOf(canvas, 'image/png'), type: 'image/png', ending: '.png' }
}

async function webp(sequence: Sequence): Promise<FormFile> {
  const screen = screenOf(sequence)
  const frames: WebpFrame[] = []
  let before: Frame['data'] | null = null
  for (const [i, frame] of sequence.frames.entries()) {
    const patch = changedPatch(sequence, before, frame.data)
    before = frame.data
    if (patch) {
      screen.show(frame)
      const part = new OffscreenCanvas(patch.w, patch.h)
      part.getContext('2d')!.putImageData(screen.pen.getImageData(patch.x, patch.y, patch.w, patch.h), 0, 0)
      frames.push({ ...patch, ms: frame.delay, still: await bytesOf(part, 'image/webp', WEBP_QUALITY) })
    } else frames.at(-1)!.ms += frame.delay
    post({ progress: (i + 1) / sequence.frames.length })
  }
  return { bytes: animatedWebp(sequence, frames), type: 'image/webp', ending: '.webp' }
}

/** What is tried for a film, the widest known first. */
const codecs: readonly VideoCodec[] = ['avc', 'vp9', 'vp8']

/** One round as a film: MP4 where this browser encodes H.264, else WebM. */
async function film(sequence: Sequence): Promise<FormFile> {
  const { canvas, show } = screenOf(sequence, true)
  const { width, height } = canvas
  let codec: VideoCodec | undefined
  for (const c of codecs) if (!codec && (await canEncodeVideo(c, { width, height }))) codec = c
  if (!codec) throw new Error('This browser encodes no film. Take the animated WebP, or another browser.')
  const format = codec === 'avc' ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat()
  const target = new BufferTarget()
  const output = new Output({ format, target })
  const source = new CanvasSource(canvas, { codec, bitrate: QUALITY_HIGH })
  output.addVideoTrack(source)
  await output.start()
  let at = 0
  for (const [i, frame] of sequence.frames.entries()) {
    show(frame)
    await source.add(at / 1000, frame.delay / 1000)
    at += frame.delay
    post({ progress: (i + 1) / sequence.frames.length })
  }
  await output.finalize()
  const type = codec === 'avc' ? 'video/mp4' : 'video/webm'
  return { bytes: new Uint8Array(target.buffer!), type, ending: format.fileExtension }
}
