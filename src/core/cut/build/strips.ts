import { leavesOf, partition } from '../partition'
import { around } from '../raster'
import type { Building, Node } from './building'

/** A stretch of the design that becomes one band. */
export interface Strip {
  y: number
  bottom: number
  node: Node
  own: boolean
}

/**
 * Rows of cuts, those between two edges taken together; where nothing tells of bands, each row is a strip.
 */
export function stripsOf(b: Building): Strip[] {
  const tree = partition(b.cuts, b.panels)
  const rows = tree.kind === 'rows' ? tree.parts : [tree]
  const { edges, panels } = b
  if (!edges.length && !panels.length)
    return rows.map((node) => ({ y: node.box.y, bottom: node.box.y + node.box.h, node, own: false }))
  const at = (node: Node) => edges.filter((e) => e <= node.box.y + node.box.h / 2).length
  const tops = [0, ...edges, b.input.size.height]
  const out: Strip[] = []
  for (const node of rows) {
    const k = at(node),
      last = out.at(-1)
    if (last && k === at(last.node)) {
      last.node = partition([...leavesOf(last.node), ...leavesOf(node)], panels)
      continue
    }
    // A row of cuts that crosses an edge takes the room it needs from its neighbour.
    const y = Math.max(last?.bottom ?? 0, Math.min(tops[k]!, node.box.y))
    if (last && last.bottom > node.box.y) last.bottom = node.box.y
    out.push({
      y: last ? Math.max(y, last.bottom) : y,
      bottom: Math.max(tops[k + 1]!, node.box.y + node.box.h),
      node,
      own: true,
    })
  }
  return out.flatMap((strip) => alone(strip))
}

/** A panel between other things is a band of its own, whose side space is that beside the panel. */
function alone(strip: Strip): Strip[] {
  const { node, y, bottom } = strip
  if (node.kind !== 'rows' || !node.parts.some((p) => p.kind === 'panel')) return [strip]
  const runs: Node[][] = []
  for (const part of node.parts) {
    const last = runs.at(-1)
    if (part.kind !== 'panel' && last && last[0]!.kind !== 'panel') last.push(part)
    else runs.push([part])
  }
  const nodes = runs.map((parts): Node =>
    parts.length === 1 ? parts[0]! : { kind: 'rows', box: around(parts.map((p) => p.box)), parts },
  )
  return nodes.map((part, i) => {
    const next = nodes[i + 1]
    // What lies between belongs to what is no panel.
    const before = nodes[i - 1]?.box
    const from = !before ? y : part.kind === 'panel' ? part.box.y : before.y + before.h
    const to = next ? (next.kind === 'panel' ? next.box.y : part.box.y + part.box.h) : bottom
    return { y: from, bottom: to, node: part, own: strip.own }
  })
}
