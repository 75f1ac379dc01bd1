import { ssim, type Rgba } from '@/core/picture/ssim'
import { answering } from './answering'

/** Two pictures of one size to be compared: the answer is their SSIM. */
export interface LikenessQuestion {
  a: Rgba
  b: Rgba
}

answering(({ a, b }: LikenessQuestion) => ssim(a, b))
