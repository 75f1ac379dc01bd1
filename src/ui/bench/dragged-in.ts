import type { DragEvent } from 'react'
import type { Band } from '@/core/email/schema'

/** What is dragged into a lens from the tray or a dialog: a kind of tile, or bands, which may have to be drawn first. */
export type DraggedIn = { kind: string } | { name: string; bands: () => Band[] | Promise<Band[]> }

/** What it is called while it is dragged (HTML, 6.11.3): its data are letters alone, so what it is stands here. */
const TYPE = 'application/x-mosaicus-part'
let held: DraggedIn | null = null

/** Takes hold of something as its drag starts. */
export function hold(e: DragEvent, what: DraggedIn): void {
  held = what
  e.dataTransfer.setData(TYPE, '')
  e.dataTransfer.effectAllowed = 'copy'
}

/** What is over an element; null where it is nothing of ours. */
export const heldIn = (e: DragEvent): DraggedIn | null => (e.dataTransfer.types.includes(TYPE) ? held : null)
