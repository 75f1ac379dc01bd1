import { ssim, type Rgba } from '@/core/picture/ssim'

/** Two pictures of one size to be compared; the answer bears the number. */
export interface LikenessCall {
  call: number
  a: Rgba
  b: Rgba
}
export interface LikenessAnswer {
  call: number
  likeness: number
}

self.onmessage = ({ data: { call, a, b } }: MessageEvent<LikenessCall>) => {
  const answer: LikenessAnswer = { call, likeness: ssim(a, b) }
  self.postMessage(answer)
}
