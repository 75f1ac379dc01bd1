'use client'
import { useMemo } from 'react'
import { toast } from '../parts/toast'
import { starterBand, starterBands } from '@/core/starters'
import type { Action } from '../bench/action'
import type { EmailWork } from '../bench/email-work'
import { Finder } from '../bench/finder'
import { drawnBands } from '../starters/draw'

/** All that can be added where the selection is, found by its name: tiles, rows, and bands to begin from. */
export function AddPalette({
  work,
  actions,
  onClose,
}: {
  work: EmailWork
  /** What adds tiles. */
  actions: readonly Action[]
  onClose: () => void
}) {
  const bands = useMemo(() => starterActions(work), [work])
  return <Finder onClose={onClose} actions={[...actions, ...bands]} />
}

function starterActions({ email, job, selection, apply, select }: EmailWork): Action[] {
  const { house } = job.client
  const add = async (starter: (typeof starterBands)[number]) => {
    const at = selection.band
      ? email.bands.findIndex((b) => b.id === selection.band!.id) + 1
      : email.bands.length
    const bands = await drawnBands([starterBand(starter, { house, width: email.width })], house)
    apply(`add ${starter.name}`, { name: 'addBands', what: { bands, at } })
    select(bands[0]!.id)
  }
  return starterBands.map((starter) => ({
    id: `starter-${starter.id}`,
    label: starter.name,
    group: starter.group,
    run: () => void add(starter).catch((e: Error) => toast.error(e.message)),
  }))
}
