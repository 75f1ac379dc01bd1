/** Pictures that look like photographs to a program: light that falls off, things with soft edges, grain. Drawn by SVG filters, so that none is stored. */

let next = 0

/** Colours of what lies behind and of the things before it. */
export type Tones = readonly [far: string, near: string, thing: string]

/** Kinds of what is seen. */
export const subjects = ['hills', 'lights', 'cloth', 'table', 'water', 'leaves'] as const
export type Subject = (typeof subjects)[number]

/** Numbers 0 to 1 from a seed (mulberry32, public domain, from memory). */
export function dice(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const shapes: Record<Subject, (w: number, h: number, t: Tones, roll: () => number) => string> = {
  hills: (w, h, [, near, thing], roll) =>
    [0.45, 0.6, 0.75]
      .map((at, i) => {
        const [a, b, c] = [roll(), roll(), roll()].map((r) => h * (at + 0.22 * (r - 0.5)))
        return `<path d="M0 ${a} Q${w * 0.3} ${b} ${w * 0.55} ${c} T${w} ${a} V${h} H0Z" fill="${i === 2 ? thing : near}" opacity="${0.45 + 0.25 * i}"/>`
      })
      .join(''),
  lights: (w, h, [, near, thing], roll) =>
    Array.from(
      { length: 26 },
      () =>
        `<circle cx="${w * roll()}" cy="${h * roll()}" r="${6 + 30 * roll()}" fill="${roll() < 0.5 ? near : thing}" opacity="${0.15 + 0.5 * roll()}"/>`,
    ).join(''),
  cloth: (w, h, [, near, thing], roll) =>
    Array.from({ length: 9 }, (_, i) => {
      const x = (w * i) / 8
      return `<path d="M${x} 0 Q${x + 60 * (roll() - 0.5)} ${h / 2} ${x + 80 * (roll() - 0.5)} ${h}" stroke="${i % 2 ? near : thing}" stroke-width="${w / 16}" fill="none" opacity=".35"/>`
    }).join(''),
  table: (w, h, [, near, thing], roll) =>
    `<rect y="${h * 0.62}" width="${w}" height="${h}" fill="${near}"/>` +
    Array.from({ length: 4 }, (_, i) => {
      const [x, r] = [w * (0.15 + 0.23 * i), h * (0.08 + 0.14 * roll())]
      return `<ellipse cx="${x}" cy="${h * 0.66}" rx="${r * 1.3}" ry="${r * 0.35}" fill="#000" opacity=".3"/><ellipse cx="${x}" cy="${h * 0.64 - r}" rx="${r}" ry="${r * 1.1}" fill="${thing}"/><ellipse cx="${x - r * 0.3}" cy="${h * 0.6 - r}" rx="${r * 0.3}" ry="${r * 0.4}" fill="#fff" opacity=".35"/>`
    }).join(''),
  water: (w, h, [, near, thing], roll) =>
    Array.from({ length: 14 }, (_, i) => {
      const y = (h * i) / 13
      return `<path d="M0 ${y} q${w / 4} ${14 * (roll() - 0.5)} ${w / 2} 0 t${w / 2} 0 v${3 + i} h-${w}z" fill="${i % 3 ? near : thing}" opacity="${0.2 + 0.4 * roll()}"/>`
    }).join(''),
  leaves: (w, h, [, near, thing], roll) =>
    Array.from({ length: 40 }, () => {
      const [x, y, r] = [w * roll(), h * roll(), 14 + 40 * roll()]
      return `<ellipse cx="${x}" cy="${y}" rx="${r}" ry="${r * 0.35}" transform="rotate(${360 * roll()} ${x} ${y})" fill="${roll() < 0.6 ? near : thing}" opacity="${0.3 + 0.5 * roll()}"/>`
    }).join(''),
}

/**
 * A picture as inline SVG that fills its place. @param w px @param h px @param seed what it shows of its kind @param dim how far it is darkened for words
 * upon it, 0 to 1
 */
export function photo(
  w: number,
  h: number,
  subject: Subject,
  tones: Tones,
  seed: number,
  { dim = 0, round = 0 } = {},
): string {
  const id = `p${next++}`
  const roll = dice(seed)
  return `<svg data-k="picture" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}" style="display:block;border-radius:${round}px"><defs><linearGradient id="${id}g" x2=".4" y2="1"><stop stop-color="${tones[0]}"/><stop offset="1" stop-color="${tones[1]}"/></linearGradient><filter id="${id}s" x="-.1" y="-.1" width="1.2" height="1.2"><feGaussianBlur stdDeviation="${subject === 'table' ? 1.2 : 3}"/></filter><filter id="${id}n" x="0" y="0" width="1" height="1"><feTurbulence type="fractalNoise" baseFrequency="${subject === 'cloth' ? '.5 .04' : '.35'}" numOctaves="3" seed="${seed}"/><feColorMatrix values="0 0 0 0 .5 0 0 0 0 .5 0 0 0 0 .5 .9 0 0 0 -.25"/></filter></defs><rect width="${w}" height="${h}" fill="url(#${id}g)"/><g filter="url(#${id}s)">${shapes[subject](w, h, tones, roll)}</g><rect width="${w}" height="${h}" filter="url(#${id}n)" opacity=".35"/>${dim ? `<rect width="${w}" height="${h}" fill="#000" opacity="${dim}"/>` : ''}</svg>`
}
