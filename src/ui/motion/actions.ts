import type { Motion } from '@/core/motion/schema'
import { frameOf, moveFrames } from '@/core/motion/strip-edits'
import type { Action } from '../bench/actions'
import type { Recipe } from './begin'
import { startOf, type Player } from './player'
import type { MotionWork } from './use-motion'

/** What can be done by name and by shortcut. */
export function motionActions(
  player: Player,
  now: {
    motion: Motion | null
    own: MotionWork
    frames: readonly number[]
    setFrames: (at: readonly number[]) => void
    begins: readonly Recipe[]
    begin: (kind: Recipe['kind']) => void
  },
): Action[] {
  const group = 'Motion'
  const { motion, own, frames } = now
  const off = !motion
  const strip = motion?.made.kind === 'strip' ? motion.made : null
  const shift = (by: 1 | -1) => {
    if (!strip || !frames.length) return
    const at = frames.map((i) => frameOf(strip, own.drawn?.frames[i]?.t ?? 0))
    const to = by < 0 ? at[0]! - 1 : at.at(-1)! + 2
    if (to < 0 || to > strip.frames.length) return
    own.set('move frames', { made: moveFrames(strip, at, to) })
    now.setFrames(frames.map((i) => i + by))
    player.seek(startOf(own.drawn?.frames ?? [], frames[0]! + by))
  }
  return [
    { id: 'play', label: 'Play or stop', group, keys: 'Space', run: player.toggle, off },
    { id: 'frame-next', label: 'Next frame', group, keys: 'ArrowRight', run: () => player.step(1), off },
    { id: 'frame-before', label: 'Frame before', group, keys: 'ArrowLeft', run: () => player.step(-1), off },
    {
      id: 'frame-later',
      label: 'Move the frames later',
      group,
      keys: 'Alt ArrowRight',
      run: () => shift(1),
      off: !strip,
    },
    {
      id: 'frame-earlier',
      label: 'Move the frames earlier',
      group,
      keys: 'Alt ArrowLeft',
      run: () => shift(-1),
      off: !strip,
    },
    {
      id: 'fit',
      label: 'Make it fit its budget',
      group,
      run: () => void (motion && own.fit(motion.budget)),
      off,
    },
    ...now.begins.map((b): Action => ({
      id: `begin-${b.kind}`,
      label: `Make it move: ${b.label}`,
      group,
      run: () => now.begin(b.kind),
    })),
  ]
}
