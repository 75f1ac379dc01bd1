import { z } from 'zod'

/** What a design is known to hold, px of the email. */
export const truthSchema = z.object({
  width: z.number(),
  height: z.number(),
  things: z.array(
    z.object({
      kind: z.string(),
      box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
      text: z.string().optional(),
      size: z.string().optional(),
    }),
  ),
})
type Truth = z.infer<typeof truthSchema>
type Thing = Truth['things'][number]

/** Words of an email as a browser shows them. */
export interface Live {
  text: string
  /** Where it begins, px. */
  x: number
  y: number
  size: number
  button: boolean
}

/** An email in a window. */
export interface Shown {
  live: Live[]
  /** Of the whole, and as far as it may be scrolled sideways, px. */
  height: number
  across: number
}

/** What is held against the truth. */
export interface Judged {
  wide: Shown
  /** In a window of a phone. */
  narrow: Shown
  /** How alike the email and its design look, stretch by stretch (SSIM). */
  likeness: readonly number[]
  /** Of the HTML, and of its pictures. */
  bytes: { html: number; pictures: number }
}

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []

/** What may as well be a picture that says it: a mark made of letters, a figure in a disc. */
const MAY_BE_DRAWN = new Set(['logo', 'badge'])

/** Things that say something of their own: those around others say what these say. */
function saying({ things }: Truth): (Thing & { text: string })[] {
  const holds = ({ box: [x, y, w, h] }: Thing, { box: [a, b, c, d] }: Thing) =>
    a >= x - 1 && b >= y - 1 && a + c <= x + w + 1 && b + d <= y + h + 1
  return things.flatMap((t) =>
    t.text &&
    !MAY_BE_DRAWN.has(t.kind) &&
    !things.some((o) => o !== t && o.text && t.text!.includes(o.text) && holds(t, o))
      ? [{ ...t, text: t.text }]
      : [],
  )
}

/** Words that nobody wrote, and how far a height is off, at most. */
const [MOST_MORE, MOST_OFF] = [3, 0.03]

/** Letters are off from this part of their size on. */
const OFF = 0.2

/** In a window of this width phones are judged, px; letters are not smaller there than this. */
export const PHONE = 375
const SMALLEST = 12

/** How many of the things that are live stand in another order than they are meant to be read: fewest that would have to be moved (all but the longest run in order). */
function misplaced(things: readonly (Thing & { text: string })[], live: readonly Live[]): number {
  const texts = live.map((l) => wordsIn(l.text).join(' '))
  const taken = new Set<number>()
  const places = things.flatMap((t) => {
    const begins = wordsIn(t.text).slice(0, 3).join(' ')
    const at = begins ? texts.findIndex((text, i) => !taken.has(i) && text.startsWith(begins)) : -1
    if (at >= 0) taken.add(at)
    return at >= 0 ? [at] : []
  })
  // Longest increasing subsequence (patience sorting).
  const tails: number[] = []
  for (const p of places) {
    const i = tails.findIndex((t) => t >= p)
    tails[i < 0 ? tails.length : i] = p
  }
  return places.length - tails.length
}

/**
 * Edits that a person needs until the email says what its design says: one for each thing whose words are mostly missing, whose letters are off, or that stands in another place; two for each
 * button that is none; one for every three words that nobody wrote; one where the height is off; three where a phone scrolls sideways, one where its letters are too small. A rule of thumb, the same for all designs.
 */
const handWork = (n: {
  lost: number
  off: number
  misplaced: number
  noButton: number
  more: number
  high: boolean
  sideways: boolean
  small: boolean
}): number =>
  n.lost +
  n.off +
  n.misplaced +
  2 * n.noButton +
  Math.ceil(n.more / 3) +
  Number(n.high) +
  3 * Number(n.sideways) +
  Number(n.small)

const middle = (v: readonly number[]): number => [...v].sort((a, b) => a - b)[v.length >> 1] ?? 0

/** How an email stands against what its design is known to hold. */
export function scoreOf(truth: Truth, { wide: { live, height }, narrow, likeness, bytes }: Judged) {
  const left = new Map<string, number>()
  const all = new Set(live.flatMap((l) => wordsIn(l.text)))
  const missed: string[] = []
  for (const word of live.flatMap((l) => wordsIn(l.text))) left.set(word, (left.get(word) ?? 0) + 1)
  const things = saying(truth)
  let [said, meant] = [0, 0]
  for (const word of things.flatMap((t) => wordsIn(t.text))) {
    meant++
    const n = left.get(word) ?? 0
    if (n) said++
    else missed.push(word)
    left.set(word, n - 1)
  }
  for (const t of truth.things)
    if (MAY_BE_DRAWN.has(t.kind))
      for (const word of wordsIn(t.text ?? '')) left.set(word, (left.get(word) ?? 0) - 1)
  const more = [...left.values()].filter((n) => n > 0).reduce((a, b) => a + b, 0)
  const sized = things.flatMap((t) => {
    const begins = wordsIn(t.text).slice(0, 3).join(' ')
    const [x, y] = t.box
    const away = (l: Live) => Math.hypot(l.x - x, l.y - y)
    const [found] = t.size
      ? live.filter((l) => wordsIn(l.text).join(' ').startsWith(begins)).sort((a, b) => away(a) - away(b))
      : []
    return found
      ? [
          {
            off: Math.abs(found.size / Number.parseFloat(t.size!) - 1),
            text: t.text,
            is: found.size,
            size: t.size,
          },
        ]
      : []
  })
  const buttons = things.filter((t) => t.kind === 'button')
  const real = buttons.filter((b) =>
    live.some((l) => l.button && wordsIn(l.text).join() === wordsIn(b.text).join()),
  )
  if (process.env.SAY) {
    console.log('  missed:', missed.join(' '))
    console.log(
      '  more:',
      [...left]
        .filter(([, n]) => n > 0)
        .map(([w]) => w)
        .join(' '),
    )
    console.log(
      '  no button:',
      buttons
        .filter((b) => !real.includes(b))
        .map((b) => b.text)
        .join(' | '),
    )
    console.log(
      '  sizes off:',
      sized
        .filter((s) => s.off > OFF)
        .map((s) => `${s.text.slice(0, 20)} ${s.is} for ${s.size}`)
        .join(' | '),
    )
  }
  const off = sized.filter((s) => s.off > OFF).length
  const lost = things.filter((t) => {
    const own = wordsIn(t.text)
    return own.length > 0 && 2 * own.filter((w) => all.has(w)).length < own.length
  }).length
  const small = narrow.live.filter((l) => l.size < SMALLEST - 0.5).length
  const order = misplaced(things, live)
  return {
    'words live, %': Math.round((100 * said) / meant),
    'words too many': more,
    'letters off': `${off} of ${sized.length}`,
    buttons: `${real.length} of ${buttons.length}`,
    height: Number((height / truth.height).toFixed(3)),
    likeness: Number(middle(likeness).toFixed(3)),
    misplaced: order,
    'on a phone': `${narrow.across > PHONE ? `${narrow.across - PHONE} px over` : 'fits'}${small ? `, ${small} small` : ''}`,
    'KB, as PNG': Math.round((bytes.html + bytes.pictures) / 1024),
    'hand work': handWork({
      lost,
      off,
      misplaced: order,
      noButton: buttons.length - real.length,
      more,
      high: Math.abs(height / truth.height - 1) > MOST_OFF,
      sideways: narrow.across > PHONE,
      small: small > 0,
    }),
  }
}

/** What is too little of a score. */
export function faultsOf(score: ReturnType<typeof scoreOf>, least: number): string[] {
  const [buttons, all] = score.buttons.split(' of ').map(Number)
  return [
    ...(score['words live, %'] < least ? ['words live'] : []),
    ...(score['words too many'] > MOST_MORE ? ['words too many'] : []),
    ...(buttons! < all! ? ['buttons'] : []),
    ...(Math.abs(score.height - 1) > MOST_OFF ? ['height'] : []),
    ...(score['on a phone'].includes('over') ? ['on a phone'] : []),
  ]
}
