import { type Tile } from '../email/tile'
import { textOf } from '../email/richtext'
import type { Band, Email, Item } from '../email/schema'
import { cellsOf, placesOf, tilesOf } from '../email/walk'
import type { Built, Cut, CutPlan } from './plan'

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** What a tile says, in a cut's terms. */
function said(tile: Tile): Partial<Pick<Cut, 'alt' | 'link' | 'words'>> {
  if (tile.kind === 'picture') return { alt: tile.alt, link: tile.link }
  if (tile.kind === 'words') return { words: tile.text }
  if (tile.kind === 'button') return { link: tile.link, words: textOf(tile.label) }
  return {}
}

/**
 * Brings what was written in the email since the last build back into the cuts: a three-way merge with the
 * last build as its base. Where both sides changed, the cut prevails, since it is what the person is looking
 * at.
 */
export function harvest(plan: CutPlan, email: Email): CutPlan {
  const tiles = new Map(
    [...placesOf(email)].flatMap(({ tile }) => (tile.cut ? [[tile.cut, tile] as const] : [])),
  )
  const built = { ...plan.built }
  let changed = false
  const cuts = plan.cuts.map((cut) => {
    const tile = tiles.get(cut.id)
    const base = plan.built[cut.id]
    if (!tile || !base || tile.kind !== tileOf[base.kind]) return cut
    const news = Object.fromEntries(
      Object.entries(said(tile)).filter(([field, value]) => {
        const was = base[field as keyof Built]
        return !same(value, was) && same(cut[field as keyof Cut], was) && !(was === null && isBlank(tile))
      }),
    )
    if (!Object.keys(news).length) return cut
    changed = true
    // Both sides now say the same, so this is the base that the next merge starts from.
    built[cut.id] = { ...base, ...news }
    return { ...cut, ...news }
  })
  return changed ? { ...plan, cuts, built } : plan
}

/** The kind of tile that a cut becomes. */
const tileOf: Record<Cut['kind'], Tile['kind'] | null> = {
  flat: 'gap',
  rule: 'divider',
  picture: 'picture',
  words: 'words',
  button: 'button',
  nothing: null,
}

const isBlank = (tile: Tile) =>
  (tile.kind === 'button' && !tile.label.trim()) ||
  (tile.kind === 'words' && tile.text.content.every((b) => 'content' in b && !b.content?.length))

/** True where the cut lies and is what it was at the last build. */
const unmoved = (cut: Cut | undefined, base: Built | undefined): boolean =>
  !!cut && !!base && (['x', 'y', 'w', 'h', 'kind'] as const).every((k) => cut[k] === base[k])

/**
 * Lays newly built bands over the ones there were. A band whose cuts have not moved stays as it is, but for
 * what the cuts say; a changed band keeps its name, role and settings; tiles and bands added by hand stay
 * where they were, behind what they followed. A tile that was deleted stays deleted until its cut changes.
 */
export function carry(previous: Email, fresh: Band[], plan: CutPlan): Band[] {
  const cuts = new Map(plan.cuts.map((c) => [c.id, c]))
  const cutsOf = (b: Band) => [...tilesOf(b)].flatMap((t) => (t.cut ? [t.cut] : []))
  const deleted = deletedCuts(previous, plan)
  const built = fresh
    .map((b) => without(b, deleted))
    .filter(
      (b, i) => cutsOf(b).length || !cutsOf(fresh[i]!).length || previous.bands.some((p) => p.id === b.id),
    )
  const claimed = new Set<string>()
  const model = (band: Band): Band | undefined => {
    const ids = new Set(cutsOf(band))
    let best: Band | undefined,
      most = 0
    for (const p of previous.bands) {
      const shared = claimed.has(p.id) ? 0 : cutsOf(p).filter((id) => ids.has(id)).length
      if (shared > most) {
        most = shared
        best = p
      }
    }
    if (!best && !ids.size) best = previous.bands.find((p) => p.id === band.id && !claimed.has(p.id))
    if (best) claimed.add(best.id)
    return best
  }
  const oldTiles = new Map([...placesOf(previous)].map(({ tile }) => [tile.cut ?? `#${tile.id}`, tile]))
  const out = built.map((band): Band => {
    const old = model(band)
    if (!old) return retile(band, (t) => merged(t, oldTiles, plan))
    const ids = cutsOf(band)
    if (same(ids, cutsOf(old)) && ids.every((id) => unmoved(cuts.get(id), plan.built[id]))) {
      const now = new Map([...tilesOf(band)].map((t) => [t.cut, t]))
      return retile(old, (t) => (t.cut ? restate(t, now.get(t.cut)!, plan.built[t.cut]) : t))
    }
    return {
      ...withExtras(
        retile(band, (t) => merged(t, oldTiles, plan)),
        old,
      ),
      id: old.id,
      name: old.name,
      role: old.role,
      show: old.show,
      ...(old.bleed ? { bleed: old.bleed } : {}),
    }
  })
  return insertOwn(out, previous, claimed, cuts)
}

/** Cuts that stand as they were built, but whose tiles were deleted in the email since. */
export function deletedCuts(previous: Email, plan: CutPlan): Set<string> {
  const present = new Set([...placesOf(previous)].map((p) => p.tile.cut))
  return new Set(plan.cuts.filter((c) => unmoved(c, plan.built[c.id]) && !present.has(c.id)).map((c) => c.id))
}

/** A band without the tiles of some cuts. */
function without(band: Band, gone: ReadonlySet<string>): Band {
  const items = (list: Item[]): Item[] =>
    list.flatMap((i): Item[] =>
      i.kind === 'row'
        ? [{ ...i, cells: i.cells.map((c) => ({ ...c, items: items(c.items) })) }]
        : i.cut && gone.has(i.cut)
          ? []
          : [i],
    )
  return gone.size ? { ...band, cells: band.cells.map((c) => ({ ...c, items: items(c.items) })) } : band
}

const retile = (band: Band, change: (t: Tile) => Tile): Band => {
  const items = (list: Item[]): Item[] =>
    list.map((i) =>
      i.kind === 'row' ? { ...i, cells: i.cells.map((c) => ({ ...c, items: items(c.items) })) } : change(i),
    )
  return { ...band, cells: band.cells.map((c) => ({ ...c, items: items(c.items) })) }
}

/** A kept tile that says what its cut now says, and shows its cut's picture. */
function restate(old: Tile, now: Tile, base: Built | undefined): Tile {
  if (old.kind === 'picture' && now.kind === 'picture') {
    const { narrowPicture: before, ...rest } = old
    // One that was chosen in Compose stays until the cut has its own; one that came from the cut goes with
    // it.
    const narrowPicture = now.narrowPicture ?? (base?.narrow ? undefined : before)
    return {
      ...rest,
      ...(narrowPicture ? { narrowPicture } : {}),
      picture: now.picture,
      alt: now.alt,
      link: now.link,
    }
  }
  if (old.kind === 'words' && now.kind === 'words')
    return same(old.text, now.text) ? old : { ...old, text: now.text }
  if (old.kind === 'button' && now.kind === 'button')
    return { ...old, link: now.link, label: now.label || old.label }
  return old.kind === now.kind ? old : now
}

/** A rebuilt tile that keeps the look it was given by hand; its place is new only if its cut moved. */
function merged(now: Tile, oldTiles: ReadonlyMap<string, Tile>, plan: CutPlan): Tile {
  const old = now.cut ? oldTiles.get(now.cut) : undefined
  if (!old || old.kind !== now.kind) return now
  const kept = restate(old, now, plan.built[now.cut!])
  const cut = plan.cuts.find((c) => c.id === now.cut)
  if (unmoved(cut, plan.built[now.cut!])) return kept
  return kept.kind === 'picture' && now.kind === 'picture'
    ? { ...kept, width: now.width, padding: now.padding }
    : kept.kind === 'gap' && now.kind === 'gap'
      ? { ...kept, height: now.height, padding: now.padding }
      : { ...kept, padding: now.padding }
}

/** Puts tiles that were added by hand back behind what they followed, else at the end of the first cell. */
function withExtras(band: Band, old: Band): Band {
  const next = structuredClone(band)
  for (const cell of cellsOf(old)) {
    cell.items.forEach((item, i) => {
      if (item.kind === 'row' || item.cut || item.id.startsWith('g-')) return
      const before = cell.items.slice(0, i).reverse()
      for (const target of cellsOf(next)) {
        const at = target.items.findIndex((t) => before.some((b) => b.id === t.id))
        if (at >= 0) {
          target.items.splice(at + 1, 0, item)
          return
        }
      }
      next.cells[0]!.items.splice(i === 0 ? 0 : next.cells[0]!.items.length, 0, item)
    })
  }
  return next
}

/**
 * Puts bands without cuts back where they were; of bands whose cuts are gone, what was added by hand stays.
 */
function insertOwn(
  bands: Band[],
  previous: Email,
  claimed: ReadonlySet<string>,
  cuts: ReadonlyMap<string, Cut>,
): Band[] {
  const out = [...bands]
  previous.bands.forEach((old, i) => {
    if (claimed.has(old.id) || old.id.startsWith('gap-')) return
    const tiles = [...tilesOf(old)]
    const own = tiles.filter((t) => !t.cut && !t.id.startsWith('g-'))
    if (tiles.some((t) => t.cut) && !own.length) return
    const stripped: Band =
      tiles.some((t) => t.cut && !cuts.has(t.cut)) || tiles.some((t) => t.cut)
        ? { ...old, cells: [{ ...old.cells[0]!, items: own }] }
        : old
    const before = previous.bands
      .slice(0, i)
      .reverse()
      .find((b) => out.some((o) => o.id === b.id))
    out.splice(before ? out.findIndex((o) => o.id === before.id) + 1 : 0, 0, stripped)
  })
  return out
}
