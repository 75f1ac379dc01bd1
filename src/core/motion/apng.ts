/** One frame of an APNG: a PNG of its own, and how it is laid onto what is there. */
export interface ApngFrame {
  /** A whole PNG. */
  png: Uint8Array
  x: number
  y: number
  width: number
  height: number
  /** ms */
  delay: number
  /** What becomes of it before the next: it stays, is cleared, or what was before comes back. */
  dispose: 0 | 1 | 2
  /** Whether it replaces what is there, clear pixels too; else it is laid over it. */
  replaces: boolean
}

/** An animated PNG (PNG third edition, 11.3.6). */
export interface Apng {
  width: number
  height: number
  /** How often it is shown; 0: for ever. */
  loop: number
  frames: ApngFrame[]
}

const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10]
/** Chunks that each frame needs too. */
const SHARED = new Set(['PLTE', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'iCCP', 'sBIT', 'cICP'])

interface Chunk {
  type: string
  data: Uint8Array
}

/** CRC-32 (PNG third edition, annex D). */
const table = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c
})
function crc(bytes: Uint8Array): number {
  let c = 0xffffffff
  for (const b of bytes) c = table[(c ^ b) & 255]! ^ (c >>> 8)
  return (c ^ 0xffffffff) >>> 0
}

const number = (b: Uint8Array, at: number): number =>
  ((b[at]! << 24) | (b[at + 1]! << 16) | (b[at + 2]! << 8) | b[at + 3]!) >>> 0
const short = (b: Uint8Array, at: number): number => (b[at]! << 8) | b[at + 1]!
const bytesOf = (n: number): number[] => [n >>> 24, (n >>> 16) & 255, (n >>> 8) & 255, n & 255]

function chunksOf(bytes: Uint8Array): Chunk[] | null {
  if (!SIGNATURE.every((b, i) => bytes[i] === b)) return null
  const chunks: Chunk[] = []
  for (let at = 8; at + 12 <= bytes.length;) {
    const length = number(bytes, at)
    if (at + 12 + length > bytes.length) break
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    chunks.push({ type, data: bytes.subarray(at + 8, at + 8 + length) })
    at += 12 + length
  }
  return chunks
}

function written(chunks: readonly Chunk[]): Uint8Array {
  const parts = chunks.flatMap(({ type, data }) => {
    const whole = new Uint8Array(4 + data.length)
    whole.set([...type].map((c) => c.charCodeAt(0)))
    whole.set(data, 4)
    return [Uint8Array.from(bytesOf(data.length)), whole, Uint8Array.from(bytesOf(crc(whole)))]
  })
  const out = new Uint8Array(8 + parts.reduce((sum, p) => sum + p.length, 0))
  out.set(SIGNATURE)
  let at = 8
  for (const p of parts) {
    out.set(p, at)
    at += p.length
  }
  return out
}

/** Whether a PNG says that it is animated. */
export const isApng = (bytes: Uint8Array): boolean => chunksOf(bytes)?.some((c) => c.type === 'acTL') ?? false

/** A frame to be written: what changes in it, as a PNG of that size, and how long it is shown, ms. It takes the place of what was there. */
export interface ApngStill {
  png: Uint8Array
  x: number
  y: number
  ms: number
}

const shorts = (...of: number[]): number[] => of.flatMap((n) => [(n >>> 8) & 255, n & 255])

/**
 * Stills joined as one animated PNG (PNG third edition, 11.3.6); readers that know only still ones show the first.
 * @param loop how often it is shown; 0: for ever
 * @throws {SyntaxError} where a still is no PNG, or one keeps its colours in another way than the first
 */
export function animatedPng(loop: number, stills: readonly ApngStill[]): Uint8Array {
  const kinds = new Set<string>()
  let order = 0
  const parts = stills.flatMap(({ png, x, y, ms }, i): Chunk[] => {
    const chunks = chunksOf(png)
    const head = chunks?.[0]
    if (!chunks || head?.type !== 'IHDR') throw new SyntaxError('A frame is no PNG.')
    kinds.add([...head.data.subarray(8), chunks.some((c) => c.type === 'PLTE')].join())
    const bodies = chunks.filter((c) => c.type === 'IDAT')
    const control = [
      ...bytesOf(order++),
      ...head.data.subarray(0, 8),
      ...bytesOf(x),
      ...bytesOf(y),
      ...shorts(Math.min(65_535, Math.round(ms)), 1000),
      0,
      0,
    ]
    return [
      ...(i
        ? []
        : [head, { type: 'acTL', data: Uint8Array.from([...bytesOf(stills.length), ...bytesOf(loop)]) }]),
      { type: 'fcTL', data: Uint8Array.from(control) },
      ...bodies.map((b) => {
        if (!i) return b
        const data = new Uint8Array(4 + b.data.length)
        data.set(bytesOf(order++))
        data.set(b.data, 4)
        return { type: 'fdAT', data }
      }),
    ]
  })
  if (kinds.size > 1) throw new SyntaxError('The frames keep their colours in different ways.')
  return written([...parts, { type: 'IEND', data: new Uint8Array() }])
}

/** Parts an animated PNG into its frames, each a PNG of its own; null where it is none. Frames that are cut off are left out. */
export function readApng(bytes: Uint8Array): Apng | null {
  const chunks = chunksOf(bytes)
  const head = chunks?.[0]
  const control = chunks?.find((c) => c.type === 'acTL')
  if (!chunks || head?.type !== 'IHDR' || !control) return null
  const shared: Chunk[] = []
  const open: { frame: ApngFrame; data: Uint8Array[] }[] = []
  for (const { type, data } of chunks) {
    if (SHARED.has(type)) shared.push({ type, data })
    else if (type === 'fcTL') {
      // 0 hundredths are written so, a denominator of 0 stands for 100.
      const delay = (short(data, 20) * 1000) / (short(data, 22) || 100)
      open.push({
        frame: {
          png: new Uint8Array(),
          width: number(data, 4),
          height: number(data, 8),
          x: number(data, 12),
          y: number(data, 16),
          delay,
          dispose: Math.min(2, data[24]!) as 0 | 1 | 2,
          replaces: data[25] === 0,
        },
        data: [],
      })
    } else if (type === 'IDAT') open.at(-1)?.data.push(data)
    else if (type === 'fdAT') open.at(-1)?.data.push(data.subarray(4))
  }
  const frames = open
    .filter((o) => o.data.length)
    .map(({ frame, data }) => {
      const size = Uint8Array.from([
        ...bytesOf(frame.width),
        ...bytesOf(frame.height),
        ...head.data.subarray(8),
      ])
      const body = data.map((d) => ({ type: 'IDAT', data: d }))
      const png = written([
        { type: 'IHDR', data: size },
        ...shared,
        ...body,
        { type: 'IEND', data: new Uint8Array() },
      ])
      return { ...frame, png }
    })
  const { width, height } = { width: number(head.data, 0), height: number(head.data, 4) }
  return { width, height, loop: number(control.data, 4), frames }
}
