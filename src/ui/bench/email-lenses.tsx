'use client'
import { groundOf } from '@/core/email/ground'
import dynamic from 'next/dynamic'
import { startTransition, useEffect, useMemo, type ReactNode } from 'react'
import { placeOf } from '@/core/email/walk'
import { RecipientPick } from '../compose/recipients'
import { Tray } from '../compose/tray'
import type { EmailWork } from './email-work'
import { EmailLens, type EmailLensProps, type Marks } from './lens'
import { nightOf } from './night'

const loadEditor = () => import('../compose/editor').then((m) => m.InPlaceEditor)
const InPlaceEditor = dynamic(loadEditor, { ssr: false })

/** The width that stands for a phone, px. */
export const PHONE = 375

/**
 * The email through one lens, with selection, ties, and the words edited in place.
 * @param edits whether this lens is the one that holds the editor
 */
export function WorkLens({
  work,
  name,
  width,
  edits,
  night,
  ...more
}: {
  work: EmailWork
  name: string
  width: number
  edits?: boolean
  /** Whether it is seen at night, by the email's own rules. */
  night?: boolean
} & Pick<EmailLensProps, 'onMarks' | 'pictures' | 'cover' | 'right' | 'bar' | 'detail' | 'speaks'>) {
  const {
    selection: { band, tile },
  } = work
  const parts = useMemo(() => (night ? nightOf(work.parts) : work.parts), [night, work.parts])
  // The editor comes while words are looked at, so that it is there when they are opened.
  const words = tile?.kind === 'words'
  useEffect(() => {
    if (words) void loadEditor()
  }, [words])
  const overlay = (marks: Marks) => {
    const place = edits && work.editing ? placeOf(work.email, work.editing) : undefined
    const at = place && marks.get(place.tile.id)
    if (!place || place.tile.kind !== 'words' || !at) return null
    const words = place.tile
    return (
      <InPlaceEditor
        key={words.id}
        tile={words}
        words={work.writing}
        role={place.band.role}
        dir={words.dir ?? place.band.dir ?? work.email.dir}
        style={work.style}
        ground={groundOf(work.email, work.style, words.id).color}
        at={at}
        onEditor={work.setEditor}
        onDone={() => work.setEditing(null)}
        onChange={(text) =>
          // The editor shows what is typed; everything else follows when there is time.
          startTransition(() =>
            work.apply(
              'write',
              { name: 'setTile', what: { id: words.id, kind: 'words', set: { text } } },
              `write-${words.id}`,
            ),
          )
        }
      />
    )
  }
  return (
    <EmailLens
      name={name}
      width={width}
      parts={parts}
      ties={work.ties}
      bandIds={work.bandIds}
      selected={tile?.id ?? band?.id}
      selectedBand={band?.id}
      hovered={work.hovered}
      onHover={work.setHovered}
      onPick={(ids) => work.pick(ids, name)}
      onOpen={(ids) => work.open(ids, name)}
      overlay={overlay}
      {...more}
    />
  )
}

/** The tray of an email's stage. */
export function WorkTray({ work, right }: { work: EmailWork; right?: ReactNode }) {
  return (
    <Tray
      email={work.email}
      job={work.job}
      setHouse={work.setHouse}
      flush={work.flush}
      style={work.style}
      selection={work.selection}
      also={work.also}
      onDuplicate={() => void work.duplicate()}
      editor={work.editor}
      apply={work.apply}
      onSelect={work.select}
      onEdit={work.edit}
      onMove={work.move}
      onRemove={work.remove}
      onAddBand={work.addBand}
      right={
        <>
          {work.email.way === 'plain' ? null : <RecipientPick work={work} />}
          {right}
        </>
      }
    />
  )
}
