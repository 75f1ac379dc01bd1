import { newId, type NewId } from '../email/defaults'
import { findEdges, type Edge } from './edges'
import { groundOf } from './ground'
import type { Cut, CutKind } from './plan'
import type { Raster } from './raster'
import { rowFacts, type RowFacts } from './rows'

/** What the autocut found: the edges with their signs, and one cut for each band, in order from the top. */
export interface Autocut { edges: Edge[]; cuts: Cut[] }

/**
 * Cuts a design into bands by its pixels and proposes for each what it becomes.
 * @param scale design pixels for each px of the email (its density)
 * @param progress called with 0 to 1
 */
export function autocut(raster: Raster, scale: number, progress?: (done: number) => void, id: NewId = newId): Autocut {
  const facts = rowFacts(raster, (p) => progress?.(p * 0.9))
  const edges = findEdges(raster, scale, facts)
  const tops = [0, ...edges.map((e) => e.y)]
  const cuts = tops.map((y, i): Cut => {
    const h = (tops[i + 1] ?? raster.height) - y
    const rect = { x: 0, y, w: raster.width, h }
    const kind = proposeKind(facts, y, y + h, scale)
    const ground = groundOf(raster, rect)
    return { id: id(), ...rect, kind, alt: null, link: '', words: null, ground: kind === 'picture' && ground.share < 0.9 ? null : ground.color }
  })
  progress?.(1)
  return { edges, cuts }
}

/**
 * Flat where nothing stands on the ground; words where what stands on a steady ground comes in runs of a letter's height and fills
 * little of it; else a picture.
 */
export function proposeKind(f: RowFacts, from: number, to: number, scale: number): CutKind {
  let inked = 0, tallest = 0, run = 0, runs = 0, share = 0
  for (let y = from; y < to; y++) {
    if (f.ink[y]! < 0.002) { run = 0; continue }
    if (run === 0) runs++
    inked++
    run++
    share += f.ink[y]!
    tallest = Math.max(tallest, run)
  }
  if (inked <= 2) return 'flat'
  const letters = tallest <= 64 * scale && runs >= 1 && share / inked < 0.4
  return letters ? 'words' : 'picture'
}
