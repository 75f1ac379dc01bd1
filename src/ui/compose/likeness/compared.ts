import type { LikenessQuestion } from '@/workers/likeness'
import { asker } from '../../parts/asker'

const ask = asker<LikenessQuestion, number>(
  () => new Worker(new URL('../../../workers/likeness.ts', import.meta.url), { type: 'module' }),
)

/** SSIM of two pictures, computed away from the page; both are given away. */
export function likenessOf(a: ImageData, b: ImageData): Promise<number> {
  const pixels = ({ data, width, height }: ImageData) => ({ data, width, height })
  return ask({ a: pixels(a), b: pixels(b) }, [a.data.buffer, b.data.buffer])
}
