import type { Sides } from '../email/styles'
import { trim } from '../html/element'

/** Space as it lies on screen: on a right-to-left email left and right change places. */
export const flow = (p: Sides, dir: 'ltr' | 'rtl'): Sides =>
  dir === 'rtl' ? { ...p, left: p.right, right: p.left } : p

/** Space on four sides as a CSS value, in its shortest form. */
export function box(p: Sides): string {
  const u = (n: number) => (n === 0 ? '0' : `${trim(n)}px`)
  const [t, r, b, l] = [u(p.top), u(p.right), u(p.bottom), u(p.left)]
  if (l !== r) return `${t} ${r} ${b} ${l}`
  if (t !== b) return `${t} ${r} ${b}`
  return t === r ? t : `${t} ${r}`
}
