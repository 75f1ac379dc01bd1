'use client'
import { Group } from '../../parts/controls'
import { kindNames } from '../kinds'
import type { ByHand } from '../work/by-hand'
import type { CutWork } from '../work/use-cut-work'
import { Becomes } from './becomes'
import type { CutGroup } from './cut-group'
import { GroundGroup } from './ground'
import { Overview } from './overview'
import { PictureGroups } from './picture'
import { Place } from './place'
import { Weight } from './weight'
import { WordsGroups } from './words'

interface Props {
  work: CutWork
  hand: ByHand
  onPick: () => void
  onFiles: () => void
}

/** What is selected, and its figures. */
export function CutTray({ work, hand, onPick, onFiles }: Props) {
  const { current } = work
  if (!current) return <Overview work={work} onFiles={onFiles} />
  const of: CutGroup = { work, hand, cut: current }
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[196px_196px_minmax(0,1fr)_minmax(190px,230px)] overflow-y-auto more-below">
      <Becomes {...of} />
      <Place {...of} />
      {current.kind === 'picture' ? (
        <PictureGroups {...of} />
      ) : current.kind === 'words' || current.kind === 'button' ? (
        <WordsGroups {...of} />
      ) : (
        <Group title={kindNames[current.kind]}>
          <p className="text-soft">
            {
              {
                rule: 'A line across, in the colour and thickness of the design.',
                flat: 'The band shows its ground colour at this height.',
                nothing: 'It is left out of the email; its room is kept as space.',
              }[current.kind]
            }
          </p>
        </Group>
      )}
      {current.kind === 'picture' ? (
        <Weight {...of} />
      ) : current.kind === 'nothing' ? (
        <Group title="Ground">
          <p className="text-soft">None.</p>
        </Group>
      ) : (
        <GroundGroup {...of} onPick={onPick} />
      )}
    </div>
  )
}
