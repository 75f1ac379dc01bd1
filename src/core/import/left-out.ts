import type { Element } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import type { Band } from '../email/schema'
import { tilesOf } from '../email/walk'
import type { PictureRef } from '../picture/ref'
import { linksIn } from '../tiles/contents'
import { definitionOf } from '../tiles'
import { hidden, isElement } from './source'

/** A word, a picture or a link of the source, in reading order. */
interface Said {
  kind: 'word' | 'picture' | 'link'
  value: string
}

const wordsIn = (text: string): Said[] =>
  (text.match(/[\p{L}\p{N}]+/gu) ?? []).map((value) => ({ kind: 'word', value }))

/** What a person sees of an element. */
export function* saidIn(e: Element): Generator<Said> {
  if (hidden(e) || e.tagName === 'style' || e.tagName === 'script' || e.tagName === 'title') return
  if (e.tagName === 'img') yield { kind: 'picture', value: String(e.properties.src ?? '') }
  if (e.tagName === 'a' && e.properties.href)
    yield { kind: 'link', value: String(e.properties.href).trim().slice(0, 4000) }
  for (const c of e.children)
    if (c.type === 'text') yield* wordsIn(c.value)
    else if (isElement(c)) yield* saidIn(c)
}

const keyOf = (s: Said): string => `${s.kind} ${s.value}`

const count = (said: Iterable<Said>): Map<string, number> => {
  const out = new Map<string, number>()
  for (const s of said) out.set(keyOf(s), (out.get(keyOf(s)) ?? 0) + 1)
  return out
}

/** What the tiles of bands say: pictures that are kept here by their ids, others by their addresses. */
function* saidBy(bands: readonly Band[], kept: (s: Said) => Said): Generator<Said> {
  for (const band of bands) {
    if (band.picture) yield { kind: 'picture', value: band.picture.picture.id }
    for (const tile of tilesOf(band))
      if (tile.kind === 'code')
        for (const c of fromHtml(tile.html, { fragment: true }).children) {
          if (c.type === 'element') for (const s of saidIn(c)) yield kept(s)
          else if (c.type === 'text') yield* wordsIn(c.value)
        }
      else {
        for (const text of definitionOf(tile).words(tile)) yield* wordsIn(text)
        for (const link of linksIn(tile)) yield { kind: 'link', value: link.href.trim() }
        for (const p of definitionOf(tile).pictures(tile)) yield { kind: 'picture', value: p.picture.id }
      }
  }
}

/** How many words before a place name it. */
const BEFORE = 4

/**
 * What is seen in a source and stands nowhere in what was made of it, a sentence each with its place. Links of one address count once:
 * neighbouring runs of a link become one.
 */
export function leftOut(
  body: Element,
  bands: readonly Band[],
  pictures: Readonly<Record<string, PictureRef>>,
): string[] {
  // One picture may have several addresses.
  const kept = (s: Said): Said =>
    s.kind === 'picture' ? { ...s, value: pictures[s.value]?.id ?? s.value } : s
  const have = count(saidBy(bands, kept))
  const out: string[] = []
  const before: string[] = []
  let run: string[] = []
  const place = () => (before.length ? ` after "${before.slice(-BEFORE).join(' ')}"` : ' at the beginning')
  const close = () => {
    if (run.length) out.push(`Left out${place()}: "${run.join(' ').slice(0, 200)}".`)
    run = []
  }
  const told = new Set<string>()
  for (const said of saidIn(body)) {
    const key = keyOf(kept(said))
    const left = have.get(key) ?? 0
    if (said.kind === 'word') {
      if (left > 0) {
        close()
        have.set(key, left - 1)
        before.push(said.value)
      } else run.push(said.value)
    } else if (!left && !told.has(key)) {
      told.add(key)
      close()
      out.push(`Left out${place()}: the ${said.kind} ${said.value.slice(0, 200)}.`)
    }
  }
  close()
  return out
}
