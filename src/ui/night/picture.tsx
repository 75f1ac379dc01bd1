'use client'
import { useEffect, useState } from 'react'
import { toast } from '../parts/toast'
import { groundOf } from '@/core/email/ground'
import type { TileOf } from '@/core/email/tile'
import { behaviours } from '@/core/night/behaviours'
import { GONE } from '@/core/night/edges'
import { turnedOver } from '@/core/night/lightness'
import { nightEdge } from '@/core/night/palette'
import type { Mend } from '@/workers/night'
import type { EmailWork } from '../bench/email-work'
import { Button, cx, Group, NumberField } from '../parts/controls'
import { askNight, mendedPicture } from './mend'

interface Measured {
  clear: boolean
  box: string | null
  grounds: { name: string; color: string; gone: number }[]
}

/** The grounds that a picture may get: by day, by the email's own rules, and where they are turned over. */
function useMeasured(work: EmailWork, tile: TileOf<'picture'>): Measured | null {
  const [found, setFound] = useState<(Measured & { id: string }) | null>(null)
  const { color, night } = groundOf(work.email, work.style, tile.id)
  const id = tile.picture?.id ?? null
  useEffect(() => {
    if (!id) return
    const grounds = [
      { name: 'by day', color },
      { name: 'by its own rules', color: night },
      {
        name: 'turned over',
        color: behaviours.fully.ground(color, {}) ?? turnedOver(color),
      },
    ]
    let current = true
    askNight({ kind: 'measure', address: `/api/pictures/${id}`, grounds: grounds.map((g) => g.color) }).then(
      (a) => {
        if (!current || !('edges' in a)) return
        const { clear, box } = a.edges
        setFound({ id, clear, box, grounds: grounds.map((g, i) => ({ ...g, gone: a.gone[i]! })) })
      },
      () => {},
    )
    return () => {
      current = false
    }
  }, [id, color, night])
  return found && found.id === id ? found : null
}

/** A picture's edges on each ground it may get, and the mends. */
export function PictureAtNight({ work, tile }: { work: EmailWork; tile: TileOf<'picture'> }) {
  const measured = useMeasured(work, tile)
  const [width, setWidth] = useState(2)
  if (!tile.picture) return null
  const mend = async (what: Mend, at: 'picture' | 'nightPicture') => {
    try {
      const picture = await mendedPicture(tile.picture!.id, what)
      if (!picture) return
      work.apply('mend the picture for the night', {
        name: 'setTile',
        what: { id: tile.id, kind: 'picture', set: { [at]: picture } },
      })
    } catch (error) {
      toast.error((error as Error).message)
    }
  }
  const ground = measured?.grounds[0]!.color ?? '#ffffff'
  return (
    <Group title="The picture at night" className="w-[300px]">
      {!measured && <p className="text-xs text-soft">Measuring its edges…</p>}
      {measured && <EdgeTable measured={measured} />}
      {measured?.box && (
        <Button onClick={() => void mend({ kind: 'free', box: measured.box! }, 'picture')}>
          Cut it free of its {measured.box} box
        </Button>
      )}
      {measured?.clear && (
        <div className="flex flex-wrap items-center gap-1">
          <Button onClick={() => void mend({ kind: 'halo', color: '#ffffff', width }, 'nightPicture')}>
            Outline
          </Button>
          <span className="w-12">
            <NumberField
              label="Width of the outline, px of the file"
              value={width}
              min={1}
              max={12}
              onChange={setWidth}
            />
          </span>
          <Button onClick={() => void mend({ kind: 'plate', color: ground, radius: 12 }, 'nightPicture')}>
            Plate
          </Button>
          <Button onClick={() => void mend({ kind: 'light' }, 'nightPicture')}>Light ink</Button>
          <Button onClick={() => void mend({ kind: 'flat', ground }, 'picture')}>On its ground</Button>
        </div>
      )}
      {measured && !measured.clear && !measured.box && (
        <p className="text-[11.5px] text-soft">It covers its ground: nothing of it changes at night.</p>
      )}
      <p className="text-[11.5px] leading-snug text-soft">
        Outline, plate and light ink become its picture for the night, shown by readers that know; the others
        change the picture itself.
      </p>
    </Group>
  )
}

/** How a mark is seen on a ground. */
const rimWords = (gone: number): string =>
  gone < 0.01 ? 'its rim is seen' : `${Math.round(gone * 100)} % of its rim vanishes`

const EdgeTable = ({ measured }: { measured: Measured }) => (
  <ul className="font-mono text-[11px]">
    {measured.grounds.map((g) => (
      <li key={g.name} className="flex items-center gap-1.5">
        <i className="inline-block h-3 w-3 border border-grout" style={{ background: g.color }} />
        <span className="w-28">{g.name}</span>
        <span
          className={cx(measured.clear ? (g.gone > GONE ? 'text-terra' : 'text-verdigris') : 'text-soft')}
        >
          {measured.clear ? rimWords(g.gone) : measured.box ? 'a box stays' : 'covered'}
        </span>
      </li>
    ))}
  </ul>
)

/** An edge that only shows at night, for the selected cell. */
export function CardEdge({ work }: { work: EmailWork }) {
  const { cell } = work.selection
  if (!cell?.background) return null
  return (
    <Button
      onClick={() => {
        const edge = nightEdge(cell.background!)
        const edges = { top: edge, right: edge, bottom: edge, left: edge }
        work.apply('an edge that shows at night', { name: 'setCell', what: { id: cell.id, set: { edges } } })
      }}
    >
      Edge of the card at night
    </Button>
  )
}
