/** A colour as the document stores it: `#rrggbb`, lower case. */
export type Hex = `#${string}`

/** Red, green and blue, each 0 to 255. */
export type Rgb = readonly [number, number, number]

/** Reads `#rrggbb` into its channels. Throws a RangeError on anything else. */
export function toRgb(hex: string): Rgb {
  const m = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(hex)
  if (!m) throw new RangeError(`Not a colour of the form #rrggbb: ${hex}`)
  return [parseInt(m[1]!, 16), parseInt(m[2]!, 16), parseInt(m[3]!, 16)]
}

/** Writes channels (0 to 255, rounded and clamped) as `#rrggbb`. */
export function toHex(rgb: Rgb): Hex {
  const part = (v: number) =>
    Math.max(0, Math.min(255, Math.round(v)))
      .toString(16)
      .padStart(2, '0')
  return `#${part(rgb[0])}${part(rgb[1])}${part(rgb[2])}`
}

/** Accepts `#abc`, `abc`, `#AABBCC` as people type them; null where it is no colour. */
export function readHex(typed: string): Hex | null {
  const s = typed.trim().replace(/^#/, '').toLowerCase()
  if (/^[0-9a-f]{6}$/.test(s)) return `#${s}`
  if (/^[0-9a-f]{3}$/.test(s)) return `#${[...s].map((c) => c + c).join('')}`
  return null
}
