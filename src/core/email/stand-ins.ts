import list from './stand-ins.json' with { type: 'json' }

/**
 * A free font that ships with the app and is shown here for one that emails name: so an email looks alike on every machine. `matched` ones
 * are as wide by design (the fonts' own documentation says so), the others are near in width and look (seen, no source).
 */
export interface StandIn {
  /** What emails name. */
  family: string
  /** Other names of it. */
  also: readonly string[]
  /** The font that stands in. */
  by: string
  matched: boolean
  /** The package that brings it. */
  package: string
  /** Its files there: regular, italic, bold, bold italic. */
  files: readonly string[]
}

export const standIns: readonly StandIn[] = list

/** The stand-in of a family; undefined where it has none. */
export const standInOf = (family: string): StandIn | undefined =>
  standIns.find((s) => [s.family, ...s.also].some((name) => name.toLowerCase() === family.toLowerCase()))

/** The name under which a file of a stand-in is answered: `arimo-0` to `arimo-3`. */
export const shippedName = (s: StandIn, file: number): string =>
  `${s.by.toLowerCase().replaceAll(' ', '-')}-${file}`

/** All faces under the names that emails give them, as the Font Loading API takes them. @param base where the app answers */
export const standInDescriptors = (
  base: string,
): { family: string; source: string; descriptors: { weight: string; style: 'normal' | 'italic' } }[] =>
  standIns.flatMap((s) =>
    [s.family, ...s.also].flatMap((family) =>
      s.files.map((_, i) => ({
        family,
        source: `url(${base}/api/fonts/shipped/${shippedName(s, i)})`,
        descriptors: {
          weight: i < 2 ? '400' : '700',
          style: i % 2 ? ('italic' as const) : ('normal' as const),
        },
      })),
    ),
  )

/**
 * What a frame that shows an email has before its own styles, so that the families it names are those that ship with the app (CSS Fonts Level 4,
 * section 4). @param base where the app answers
 */
export const standInFaces = (base: string): string =>
  standInDescriptors(base)
    .map(
      (f) =>
        `@font-face{font-family:'${f.family}';font-weight:${f.descriptors.weight};font-style:${f.descriptors.style};src:${f.source}}`,
    )
    .join('')

/** A sentence on what stands in for a stack's first family here; null where nothing does. */
export function standInNote(css: string): string | null {
  const first = css.split(',')[0]!.trim().replace(/['"]/g, '')
  const found = standInOf(first)
  if (!found) return null
  return `${first} is shown here by ${found.by}, ${found.matched ? 'as wide by design' : 'near it in width'}: alike on every machine.`
}
