import {
  BufferTarget,
  canEncodeVideo,
  Mp4OutputFormat,
  Output,
  QUALITY_HIGH,
  VideoSample,
  VideoSampleSource,
  WebMOutputFormat,
  type VideoCodec,
} from 'mediabunny'
import type { Sequence } from '@/core/motion/sequence'
import { toVideoRange } from '@/core/motion/video-range'
import { animatedPng } from '@/core/motion/apng'
import { animatedWebp, changedPatch, type Patch } from '@/core/motion/webp'

/** Forms beside the GIF: as this browser encodes them. One worker makes one file; ending it cancels it. */
export type Form = 'webp' | 'apng' | 'film' | 'still'
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
  const make = { webp, apng, film, still }[form]
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

/** A frame's part that changes, as a still. */
type Changed = Patch & { still: Uint8Array; ms: number }

/** What changes from frame to frame, each as a still of that part; what shows the same goes on. */
async function changes(sequence: Sequence, type: string, quality?: number): Promise<Changed[]> {
  const screen = screenOf(sequence)
  const frames: Changed[] = []
  let before: Frame['data'] | null = null
  for (const [i, frame] of sequence.frames.entries()) {
    const patch = changedPatch(sequence, before, frame.data)
    before = frame.data
    if (patch) {
      screen.show(frame)
      const part = new OffscreenCanvas(patch.w, patch.h)
      part.getContext('2d')!.putImageData(screen.pen.getImageData(patch.x, patch.y, patch.w, patch.h), 0, 0)
      frames.push({ ...patch, ms: frame.delay, still: await bytesOf(part, type, quality) })
    } else frames.at(-1)!.ms += frame.delay
    post({ progress: (i + 1) / sequence.frames.length })
  }
  return frames
}

async function webp(sequence: Sequence): Promise<FormFile> {
  const frames = await changes(sequence, 'image/webp', WEBP_QUALITY)
  return { bytes: animatedWebp(sequence, frames), type: 'image/webp', ending: '.webp' }
}

/** Without loss, and with soft edges: for pages, and the readers that show it. */
async function apng(sequence: Sequence): Promise<FormFile> {
  const frames = await changes(sequence, 'image/png')
  const stills = frames.map(({ still: png, x, y, ms }) => ({ png, x, y, ms }))
  return { bytes: animatedPng(sequence.loop, stills), type: 'image/png', ending: '.png' }
}

/** What is tried for a film, the widest known first. */
const codecs: readonly VideoCodec[] = ['avc', 'vp9', 'vp8']

/** How the colours of a film are kept: what players take for granted. */
const VIDEO: VideoColorSpaceInit = {
  primaries: 'bt709',
  transfer: 'bt709',
  matrix: 'bt709',
  fullRange: false,
}

/** One round as a film: MP4 where this browser encodes H.264, else WebM. */
async function film(sequence: Sequence): Promise<FormFile> {
  const { canvas, pen, show } = screenOf(sequence, true)
  const { width, height } = canvas
  let codec: VideoCodec | undefined
  for (const c of codecs) if (!codec && (await canEncodeVideo(c, { width, height }))) codec = c
  if (!codec) throw new Error('This browser encodes no film. Take the animated WebP, or another browser.')
  const format = codec === 'avc' ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat()
  const target = new BufferTarget()
  const output = new Output({ format, target })
  const source = new VideoSampleSource({ codec, bitrate: QUALITY_HIGH })
  output.addVideoTrack(source)
  await output.start()
  let at = 0
  for (const [i, frame] of sequence.frames.entries()) {
    show(frame)
    const sample = new VideoSample(toVideoRange(pen.getImageData(0, 0, width, height).data, canvas), {
      format: 'I420',
      codedWidth: width,
      codedHeight: height,
      timestamp: at / 1000,
      duration: frame.delay / 1000,
      colorSpace: VIDEO,
    })
    await source.add(sample)
    sample.close()
    at += frame.delay
    post({ progress: (i + 1) / sequence.frames.length })
  }
  await output.finalize()
  const type = codec === 'avc' ? 'video/mp4' : 'video/webm'
  return { bytes: new Uint8Array(target.buffer!), type, ending: format.fileExtension }
}
