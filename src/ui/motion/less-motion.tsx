'use client'
import type { EmailWork } from '../bench/email-work'
import { Tick } from '../compose/groups/parts'
import { toast } from '../parts/toast'
import type { Drawn } from './engine'
import { firstFrame } from './first-frame'
import type { MovingTile } from './moving'

/** Whether people who ask for less motion get the first frame, where their reader passes that on. */
export function LessMotion({
  work,
  chosen,
  drawn,
}: {
  work: EmailWork
  chosen: MovingTile
  /** Null while it is being drawn. */
  drawn: Drawn | null
}) {
  const { tile } = chosen
  if (tile.motion?.made.kind === 'countdown') return null
  const put = (label: string, stillPicture?: typeof tile.stillPicture) =>
    work.apply(label, { name: 'setTile', what: { id: tile.id, kind: 'picture', set: { stillPicture } } })
  return (
    <Tick
      checked={!!tile.stillPicture}
      disabled={!drawn && !tile.stillPicture}
      title="In a picture element with prefers-reduced-motion (Media Queries 5, 11.1). Other readers show it moving."
      onChange={(on) => {
        if (!on) return put('let it move for everyone')
        firstFrame(drawn!).then(
          (still) => put('let it stand for less motion', still),
          (error: Error) => toast.error(error.message),
        )
      }}
    >
      first frame where less motion is asked for
    </Tick>
  )
}
