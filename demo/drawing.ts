/**
 * Small means of drawing shared by the demo designs: repeatable random numbers, set text, hills, stars. All
 * sizes in design px.
 */
export type Random = () => number

/** Repeatable random numbers (mulberry32), so that a design is drawn alike each time. */
export function random(seed: number): Random {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

export interface Type {
  font: string
  size: number
  color: string
  weight?: number
  line?: number
  spacing?: number
  anchor?: 'start' | 'middle' | 'end'
}

/** Lines of text. @param y baseline of the first line */
export function text(x: number, y: number, lines: string | string[], t: Type): string {
  const list = typeof lines === 'string' ? [lines] : lines
  const escape = (s: string) => s.replace(/&/g, '&amp;').replace(/</g, '&lt;')
  return list
    .map(
      (l, i) =>
        `<text x="${x}" y="${y + i * (t.line ?? t.size * 1.5)}" font-family="${t.font}" font-size="${t.size}" font-weight="${t.weight ?? 400}" fill="${t.color}" text-anchor="${t.anchor ?? 'start'}"${t.spacing ? ` letter-spacing="${t.spacing}"` : ''}>${escape(l)}</text>`,
    )
    .join('')
}

export const rect = (x: number, y: number, w: number, h: number, fill: string, more = ''): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}" ${more}/>`

/** A button as drawn in a design. */
export const button = (
  x: number,
  y: number,
  w: number,
  h: number,
  label: string,
  fill: string,
  t: Type,
  radius = 6,
): string =>
  rect(x, y, w, h, fill, `rx="${radius}"`) +
  text(x + w / 2, y + h / 2 + t.size * 0.35, label, { ...t, anchor: 'middle' })

/** The outline of hills: a sum of slow waves and a little roughness, closed at the bottom. */
export function hills(
  x: number,
  w: number,
  base: number,
  height: number,
  bottom: number,
  seed: number,
  rough = 0.12,
): string {
  const r = random(seed)
  const waves = [1, 2.3, 4.1, 7.7].map((f) => ({ f, phase: r() * 6.28, a: 1 / f }))
  const points: string[] = []
  for (let i = 0; i <= 120; i++) {
    const u = i / 120
    const v = waves.reduce((s, k) => s + k.a * Math.sin(u * 6.28 * k.f * 0.7 + k.phase), 0) / 1.8
    points.push(
      `${(x + u * w).toFixed(1)},${(base - height * (0.5 + 0.5 * v) + (r() - 0.5) * height * rough).toFixed(1)}`,
    )
  }
  return `M${x},${bottom} L${points.join(' L')} L${x + w},${bottom} Z`
}

/** Stars of several magnitudes. */
export function stars(
  x: number,
  y: number,
  w: number,
  h: number,
  count: number,
  seed: number,
  color = '#fff6e0',
): string {
  const r = random(seed)
  let out = ''
  for (let i = 0; i < count; i++) {
    const m = r() ** 3
    out += `<circle cx="${(x + r() * w).toFixed(1)}" cy="${(y + r() ** 1.4 * h).toFixed(1)}" r="${(0.8 + m * 2.6).toFixed(2)}" fill="${color}" opacity="${(0.25 + r() * 0.75).toFixed(2)}"/>`
  }
  return out
}

/** A conifer of tiers. */
export function fir(x: number, bottom: number, h: number, fill: string): string {
  let out = `<rect x="${x - h * 0.03}" y="${bottom - h * 0.14}" width="${h * 0.06}" height="${h * 0.14}" fill="${fill}"/>`
  for (let i = 0; i < 4; i++) {
    const top = bottom - h + i * h * 0.2,
      half = h * (0.1 + i * 0.055)
    out += `<path d="M${x},${top} L${x + half},${top + h * 0.34} Q${x},${top + h * 0.29} ${x - half},${top + h * 0.34} Z" fill="${fill}"/>`
  }
  return out
}

/** A filter that lays fine grain over a shape, as paper or film has. */
export const grain = (id: string, strength: number, seed: number): string =>
  `<filter id="${id}" x="0" y="0" width="1" height="1"><feTurbulence type="fractalNoise" baseFrequency="0.8" numOctaves="2" seed="${seed}" result="n"/><feColorMatrix in="n" values="0 0 0 0 0.5  0 0 0 0 0.5  0 0 0 0 0.5  0 0 0 ${strength} 0"/><feComposite in2="SourceGraphic" operator="in" result="g"/><feBlend in="SourceGraphic" in2="g" mode="overlay"/></filter>`

/** A whole design. */
export const svg = (height: number, defs: string, body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="${height}" viewBox="0 0 1200 ${height}">\n<defs>${defs}</defs>\n${body}\n</svg>\n`
