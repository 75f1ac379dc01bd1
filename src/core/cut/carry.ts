import { cutsOf, type Tile, type TileOf } from '../email/tile'
import { plainOf, textOf, unspacedText, type Inline, type RichText } from '../email/richtext'
import type { Band, Email, Item } from '../email/schema'
import { cellsOf, placesOf, tilesOf } from '../email/walk'
import { entriesOf, wordsOfEntries } from './entries'
import { partsOf } from './shared-words'
import { isUnread, type Built, type Cut, type CutPlan } from './plan'
import { overlap } from './raster'

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

type Said = Partial<Pick<Cut, 'alt' | 'link' | 'words' | 'kind'>>

/** What a tile says, in the terms of each cut that it was built from. @param base what each said at the last build */
function said(tile: Tile, base: CutPlan['built']): Map<string, Said> {
  const cuts = tile.cuts ?? (tile.cut ? [tile.cut] : [])
  const each = <T>(list: readonly T[], of: (entry: T) => Said) =>
    new Map(list.length === cuts.length ? cuts.map((id, i) => [id, of(list[i]!)]) : [])
  if (tile.kind === 'marks') return each(tile.marks, ({ alt, link }) => ({ alt, link }))
  if (tile.kind === 'menu' && isOneLine(tile))
    return each([tile], ({ items }) => ({
      words: wordsOfEntries(items.map(({ label, link }) => ({ said: label, link }))),
    }))
  if (tile.kind === 'menu') return each(tile.items, ({ label, link }) => ({ link, words: textOf(label) }))
  if (tile.kind === 'table') return cellsSaid(tile.rows.flat(), cuts)
  if (tile.kind === 'picture') return each([tile], ({ alt, link }) => ({ alt, link }))
  if (tile.kind === 'words' && tile.cuts) {
    const parts = partsOf(
      tile.text,
      cuts.map((id) => base[id]?.words ?? null),
    )
    // What was taken out of it stays out.
    return each(parts, (words) => (words ? { words } : { kind: 'nothing' }))
  }
  if (tile.kind === 'footer' && tile.cuts) {
    const parts = partsOf(
      footerWords(tile),
      cuts.map((id) => base[id]?.words ?? null),
    )
    return each(parts, (words) => (words ? { words } : {}))
  }
  if (tile.kind === 'review') return reviewSaid(tile, cuts)
  if (tile.kind === 'words') return each([tile], ({ text }) => ({ words: text }))
  if (tile.kind === 'button') return each([tile], ({ link, label }) => ({ link, words: textOf(label) }))
  return new Map()
}

/** What a review says of the cut of its words and that of its name, which may be one. */
function reviewSaid({ text, who, about }: TileOf<'review'>, cuts: readonly string[]): Map<string, Said> {
  const by = [who, about].filter((part) => part.trim()).join(', ')
  const said = cuts.length > 1 ? [text, by] : [[text, by].filter(Boolean).join('\n\n')]
  return new Map(cuts.map((id, i) => [id, { words: textOf(said[i] ?? '') }]))
}

/** A footer as the words that it was made of. */
function footerWords({ address, why, unsubscribe, preferences }: TileOf<'footer'>): RichText {
  const way = ({ label, link }: { label: string; link: string }): Inline => ({
    type: 'text',
    text: label || ' ',
    ...(link ? { marks: [{ type: 'link', attrs: { href: link } }] } : {}),
  })
  const ways: Inline[] = [
    way(unsubscribe),
    ...(preferences ? [{ type: 'text' as const, text: ' | ' }, way(preferences)] : []),
  ]
  const lines = [address ?? '', why].filter((line) => line.trim()).map((text) => textOf(text).content[0]!)
  return { type: 'doc', content: [...lines, { type: 'paragraph', content: ways }] }
}

/** What the cells of a table say of their cuts: one cut may be several cells, each a paragraph of it. */
function cellsSaid(cells: readonly string[], cuts: readonly string[]): Map<string, Said> {
  const paragraphs = new Map<string, string[]>()
  if (cells.length === cuts.length)
    cuts.forEach((id, i) => id && paragraphs.set(id, [...(paragraphs.get(id) ?? []), cells[i]!]))
  return new Map([...paragraphs].map(([id, list]) => [id, { words: textOf(list.join('\n\n')) }]))
}

/** Whether a menu's entries were read as one line. */
const isOneLine = (tile: Tile): boolean =>
  tile.kind === 'menu' && tile.cuts?.length === 1 && tile.items.length > 1

/** Whether two say the same; of what became a cell or an entry only the words count. */
const alike = (tile: Tile, a: unknown, b: unknown, field: string): boolean =>
  same(a, b) ||
  (isOneLine(tile) &&
    field === 'words' &&
    !!a &&
    !!b &&
    same(entriesOf(a as never), entriesOf(b as never))) ||
  (!!tile.cuts &&
    tile.kind !== 'words' &&
    !isOneLine(tile) &&
    field === 'words' &&
    !!a &&
    !!b &&
    plainOf(a as never).trim() === plainOf(b as never).trim())

/**
 * Brings what was written in the email since the last build back into the cuts: a three-way merge with the
 * last build as its base. Where both sides changed, the cut prevails, since it is what the person is looking
 * at.
 */
export function harvest(plan: CutPlan, email: Email): CutPlan {
  const tiles = new Map(
    [...placesOf(email)].flatMap(({ tile }) =>
      [...said(tile, plan.built)].map(([id, now]) => [id, { tile, now }] as const),
    ),
  )
  const built = { ...plan.built }
  let changed = false
  const cuts = plan.cuts.map((cut) => {
    const found = tiles.get(cut.id)
    const base = plan.built[cut.id]
    if (!found || !base || !becomes(base, found.tile)) return cut
    const { tile, now } = found
    const news = Object.fromEntries(
      Object.entries(now).filter(([field, value]) => {
        const was = base[field as keyof Built]
        return (
          !alike(tile, value, was, field) &&
          same(cut[field as keyof Cut], was) &&
          !(was === null && isBlank(tile))
        )
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

/** Whether a tile is of the kind that a cut becomes, alone or with others. */
const becomes = (base: Built, tile: Tile): boolean =>
  !!tile.cuts || tile.kind === (isUnread(base) ? 'picture' : tileOf[base.kind])

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
  const cutsIn = (b: Band) => [...tilesOf(b)].flatMap(cutsOf)
  const deleted = deletedCuts(previous, plan)
  const built = fresh
    .map((b) => without(b, deleted))
    .filter(
      (b, i) => cutsIn(b).length || !cutsIn(fresh[i]!).length || previous.bands.some((p) => p.id === b.id),
    )
  const claimed = new Set<string>()
  const model = (band: Band): Band | undefined => {
    const ids = new Set(cutsIn(band))
    let best: Band | undefined,
      most = 0
    for (const p of previous.bands) {
      const shared = claimed.has(p.id) ? 0 : cutsIn(p).filter((id) => ids.has(id)).length
      if (shared > most) {
        most = shared
        best = p
      }
    }
    if (!best && !ids.size) best = previous.bands.find((p) => p.id === band.id && !claimed.has(p.id))
    if (best) claimed.add(best.id)
    return best
  }
  const oldTiles = new Map(
    [...placesOf(previous)].flatMap(({ tile }) =>
      (tile.kind === 'words' && tile.cuts ? tile.cuts : [keyOf(tile)]).map((key) => [key, tile] as const),
    ),
  )
  const out = built.map((band): Band => {
    const old = model(band)
    if (!old) return retile(band, (t) => merged(t, oldTiles, plan))
    const ids = cutsIn(band)
    if (same(ids, cutsIn(old)) && ids.every((id) => unmoved(cuts.get(id), plan.built[id]))) {
      const now = new Map([...tilesOf(band)].map((t) => [keyOf(t), t]))
      return retile(old, (t) => {
        const fresh = now.get(keyOf(t))
        return fresh ? restate(t, fresh, plan.built[keyOf(t)]) : t
      })
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
  return insertOwn(out, previous, claimed)
}

/** What a tile is known by: the first cut that it was built from, else itself. */
const keyOf = (tile: Tile): string => cutsOf(tile)[0] ?? `#${tile.id}`

/** Cuts that stand as they were built, but whose tiles were deleted in the email since. */
export function deletedCuts(previous: Email, plan: CutPlan): Set<string> {
  const present = new Set([...placesOf(previous)].flatMap((p) => cutsOf(p.tile)))
  const gone = (c: Cut) => c.kind !== 'nothing' && unmoved(c, plan.built[c.id]) && !present.has(c.id)
  return new Set(plan.cuts.filter(gone).map((c) => c.id))
}

/** A band without the tiles of some cuts. */
function without(band: Band, gone: ReadonlySet<string>): Band {
  const items = (list: Item[]): Item[] =>
    list.flatMap((i): Item[] =>
      i.kind === 'row'
        ? [{ ...i, cells: i.cells.map((c) => ({ ...c, items: items(c.items) })) }]
        : cutsOf(i).length && cutsOf(i).every((id) => gone.has(id))
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
    const { narrowPicture: before, standsFor: _, ...rest } = old
    // One that was chosen in Compose stays until the cut has its own; one that came from the cut goes with
    // it.
    const narrowPicture = now.narrowPicture ?? (base?.narrow ? undefined : before)
    return {
      ...rest,
      ...(narrowPicture ? { narrowPicture } : {}),
      ...(now.standsFor ? { standsFor: now.standsFor } : {}),
      picture: now.picture,
      alt: now.alt,
      link: now.link,
    }
  }
  if (old.kind === 'words' && now.kind === 'words')
    // Spaces may have been set by hand.
    return same(unspacedText(old.text), unspacedText(now.text)) ? old : { ...old, text: now.text }
  if (old.kind === 'button' && now.kind === 'button')
    return { ...old, link: now.link, label: now.label || old.label }
  if (old.kind === 'review' && now.kind === 'review') {
    const { text, who, about } = now
    return { ...old, text, who, about }
  }
  if (old.kind === 'footer' && now.kind === 'footer') {
    const { address, why, unsubscribe, preferences } = now
    return { ...old, address, why, unsubscribe, preferences }
  }
  if (old.kind === 'marks' && now.kind === 'marks')
    return old.marks.length === now.marks.length
      ? { ...old, marks: now.marks.map((m, i) => ({ ...m, width: old.marks[i]!.width })) }
      : old
  if (old.kind === 'menu' && now.kind === 'menu')
    return old.items.length === now.items.length ? { ...old, items: now.items } : old
  if (old.kind === 'table' && now.kind === 'table')
    return old.rows.length === now.rows.length && old.columns.length === now.columns.length
      ? { ...old, rows: now.rows }
      : old
  return old.kind === now.kind ? old : now
}

/** A rebuilt tile that keeps the look it was given by hand; its place is new only if its cut moved. */
function merged(now: Tile, oldTiles: ReadonlyMap<string, Tile>, plan: CutPlan): Tile {
  const ids = cutsOf(now)
  const old = ids.length ? oldTiles.get(keyOf(now)) : undefined
  if (!old || old.kind !== now.kind || !isOf(now, old)) return now
  const cuts = plan.cuts.filter((c) => ids.includes(c.id))
  if (!cuts.every((c) => isSame(c, plan.built[c.id]))) return now
  const restated = restate(old, now, plan.built[ids[0]!])
  const { cut, cuts: several } = now
  const kept = restated.kind === 'words' ? { ...restated, id: now.id, cut, cuts: several } : restated
  if (cuts.every((c) => unmoved(c, plan.built[c.id]))) return kept
  return kept.kind === 'picture' && now.kind === 'picture'
    ? { ...kept, width: now.width, padding: now.padding }
    : kept.kind === 'gap' && now.kind === 'gap'
      ? { ...kept, height: now.height, padding: now.padding }
      : { ...kept, padding: now.padding }
}

/** Whether a tile is made of the cuts of another, or, as words, of some of them. */
const isOf = (now: Tile, old: Tile): boolean =>
  same(old.cuts, now.cuts) ||
  (now.kind === 'words' && !!old.cuts && cutsOf(now).every((id) => old.cuts!.includes(id)))

/** A thing that moved keeps its size to this; one that was drawn in or out keeps this much of what it was. */
const SIZE = 0.1
const REST = 0.5

/** Whether a cut is still the thing that it was at the last build: what was one of two parts of it now was looked at anew. */
function isSame(cut: Cut, base: Built | undefined): boolean {
  if (!base) return true
  if (cut.kind !== base.kind) return false
  const near = (a: number, b: number) => Math.abs(a - b) <= SIZE * Math.max(a, b)
  const both = overlap(cut, base)
  const rest = both ? (both.w * both.h) / Math.max(cut.w * cut.h, base.w * base.h) : 0
  return rest >= REST || (near(cut.w, base.w) && near(cut.h, base.h))
}

/** Puts tiles that were added by hand back behind what they followed, else at the end of the first cell. */
function withExtras(band: Band, old: Band): Band {
  const next = structuredClone(band)
  for (const cell of cellsOf(old)) {
    cell.items.forEach((item, i) => {
      if (item.kind === 'row' || cutsOf(item).length || item.id.startsWith('g-')) return
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
function insertOwn(bands: Band[], previous: Email, claimed: ReadonlySet<string>): Band[] {
  const out = [...bands]
  previous.bands.forEach((old, i) => {
    if (claimed.has(old.id) || old.id.startsWith('gap-')) return
    const tiles = [...tilesOf(old)]
    const own = tiles.filter((t) => !cutsOf(t).length && !t.id.startsWith('g-'))
    const cut = tiles.flatMap(cutsOf)
    if (cut.length && !own.length) return
    const stripped: Band = cut.length > 0 ? { ...old, cells: [{ ...old.cells[0]!, items: own }] } : old
    const before = previous.bands
      .slice(0, i)
      .reverse()
      .find((b) => out.some((o) => o.id === b.id))
    out.splice(before ? out.findIndex((o) => o.id === before.id) + 1 : 0, 0, stripped)
  })
  return out
}
