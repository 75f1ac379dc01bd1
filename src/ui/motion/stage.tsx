'use client'
import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Motion } from '@/core/motion/schema'
import { useStageActions, type Action } from '../bench/actions'
import { PHONE, WorkLens } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import type { Marks } from '../bench/lens'
import { Ribbons } from '../bench/ribbons'
import type { Stretch } from '../bench/ties'
import { motionActions } from './actions'
import { beginIn, beginsFor, type Recipe } from './begin'
import type { Drawn } from './engine'
import { MovingList } from './list'
import { movingTiles, type MovingTile } from './moving'
import { makePlayer, type Player } from './player'
import { SlotInEmail } from './slot'
import { Strip } from './strip'
import { MotionTray } from './tray'
import { useBringIn } from './use-bring-in'
import { useFitAtFirst, useMotion } from './use-motion'
import { useMotionOf } from './use-strip-of'

/** Moving pictures: made, tuned, and judged where they stand. */
export function MotionStage({ work, setActions }: { work: EmailWork; setActions: (a: Action[]) => void }) {
  const { email, selection, select } = work
  const { tile } = selection
  const tiles = useMemo(() => movingTiles(email), [email])
  const chosen = tiles.find((t) => t.tile.id === tile?.id) ?? (tile ? null : (tiles[0] ?? null))
  const motion = useMotionOf(chosen)
  const own = useMotion(work, chosen, motion)
  const player = usePlayer(own.drawn)
  const [frames, setFrames] = useState<readonly number[]>([])
  const [onion, setOnion] = useState(false)
  useEffect(() => setFrames([]), [chosen?.tile.id])
  const bring = useBringIn(work)
  const begins = tile && !chosen ? beginsFor(tile.kind) : []
  const begun = useFitAtFirst(work, chosen, motion, own)
  const begin = (kind: Recipe['kind']) => {
    if (tile) begun(tile.id)
    beginIn(work, kind)
  }
  const now = { motion: chosen && motion, own, frames, setFrames, begins, begin }
  useStageActions(setActions, [...work.actions, ...motionActions(player, now)])
  return (
    <>
      <MovingList
        tiles={tiles}
        chosen={chosen?.tile.id ?? null}
        findings={work.findings}
        begins={begins}
        selected={tile ? (selection.band?.name ?? '') : null}
        onChoose={select}
        onBegin={begin}
        onFiles={bring.files}
        onAddress={bring.address}
      />
      <main className="relative grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] bg-ground">
        <SlotLenses
          work={work}
          chosen={chosen}
          motion={motion}
          drawn={own.drawn}
          player={player}
          onion={onion}
        />
        {chosen && motion ? (
          <Strip
            drawn={own.drawn}
            motion={motion}
            player={player}
            set={own.set}
            chosen={frames}
            onChoose={setFrames}
            onion={onion}
            onOnion={setOnion}
          />
        ) : (
          <p className="h-[134px] border-t border-ink bg-plaster p-4 text-xs text-soft">
            The frames of a moving picture lie here, each as wide as it is long shown.
          </p>
        )}
      </main>
      <MotionTray work={work} own={own} chosen={chosen} motion={motion} busy={bring.busy} />
    </>
  )
}

/** The slot in its email, wide and narrow tied. */
function SlotLenses({
  work,
  chosen,
  motion,
  drawn,
  player,
  onion,
}: {
  work: EmailWork
  chosen: MovingTile | null
  motion: Motion | null
  drawn: Drawn | null
  player: Player
  onion: boolean
}) {
  const { ties } = work
  const onPlace = useCallback((at: Stretch) => ties.show('Wide', at), [ties])
  const overlay = (width: number) =>
    function Slot(marks: Marks) {
      return (
        chosen && (
          <SlotInEmail
            id={chosen.tile.id}
            // A countdown runs by itself, as readers show it.
            bare={motion?.made.kind === 'countdown'}
            marks={marks}
            width={width}
            height={heightOf(marks)}
            drawn={drawn}
            player={player}
            onion={onion}
            onPlace={width === PHONE ? undefined : onPlace}
          />
        )
      )
    }
  const { width } = work.email
  return (
    <div className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
      <WorkLens work={work} name="Wide" width={width} speaks overlay={overlay(width)} />
      <WorkLens work={work} name="Narrow" width={PHONE} overlay={overlay(PHONE)} />
      <Ribbons ties={work.ties} band={chosen?.band ?? null} faint={work.hovered} order={['Wide', 'Narrow']} />
    </div>
  )
}

/** One playhead for what is drawn. */
function usePlayer(drawn: Drawn | null): Player {
  const [player] = useState(makePlayer)
  useEffect(() => {
    player.start()
    return () => player.dispose()
  }, [player])
  useEffect(() => player.load(drawn?.frames ?? []), [drawn, player])
  return player
}

const heightOf = (marks: Marks): number => Math.max(0, ...[...marks.values()].map((m) => m.top + m.height))
