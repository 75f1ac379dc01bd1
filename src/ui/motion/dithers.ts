import type { Motion } from '@/core/motion/schema'

/** How colours between those of the palette are made, in words. */
export const dithers: { value: Motion['dither']; label: string }[] = [
  { value: 'none', label: 'none' },
  { value: 'pattern', label: 'pattern' },
  { value: 'diffused', label: 'spread' },
]
