import { fontStacks, safeFonts, type SafeFont } from './fonts'

/** Faces whose name says that they are narrow, and widely used ones that are (common practice, no source). */
const CONDENSED = /condensed|narrow|compressed|oswald|bebas|anton|league ?gothic|fjalla/i

/**
 * The email-safe stack nearest to a `font-family`: the first family that one begins with or holds, else its
 * generic family.
 */
export function fontOf(value: string | undefined): SafeFont | undefined {
  if (!value) return undefined
  const families = value.split(',').map((f) =>
    f
      .trim()
      .replace(/^['"]|['"]$/g, '')
      .toLowerCase(),
  )
  const first = (f: string) =>
    safeFonts.find((s) => fontStacks[s].css.toLowerCase().split(',')[0]!.replace(/'/g, '') === f)
  const generic = { serif: 'serif', 'sans-serif': 'sans', monospace: 'mono' } as const
  for (const f of families) {
    const hit =
      first(f) ??
      (CONDENSED.test(f) ? 'condensed' : undefined) ??
      (f === 'helvetica' ? 'sans' : f === 'courier' ? 'mono' : generic[f as keyof typeof generic])
    if (hit) return hit
  }
  return undefined
}

/**
 * Which email-safe stack stands in for a font of the design: by its family's kind (common practice, no
 * source).
 */
export function safeFontFor(name: string | undefined): SafeFont | undefined {
  if (!name) return undefined
  const n = name.toLowerCase().replace(/[^a-z]/g, '')
  if ((safeFonts as readonly string[]).includes(name)) return name as SafeFont
  if (CONDENSED.test(n)) return 'condensed'
  if (/courier|mono|consol|code/.test(n)) return 'mono'
  if (/times|garamond|caslon|minion|baskerville|liberationserif|tiempos/.test(n)) return 'times'
  if (/verdana|dejavusans(?!mono)/.test(n)) return 'wide'
  if (/tahoma/.test(n)) return 'tahoma'
  if (/trebuchet|karla|gill|frutiger|myriad|opensans|lato|humanist/.test(n)) return 'humanist'
  if (/sans|arial|helvetica|roboto|barlow|inter|grotesk|gothic|futura|poppins|montserrat/.test(n))
    return 'sans'
  if (/serif|georgia|playfair|lora|merriweather|fraunces|marcellus|bodoni|didot|slab/.test(n)) return 'serif'
  return undefined
}
