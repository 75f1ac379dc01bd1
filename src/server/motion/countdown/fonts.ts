import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { GlobalFonts } from '@napi-rs/canvas'
import type { CountdownDesign } from '@/core/motion/countdown/address'

type Face = CountdownDesign['face']

/** Which packages a face is made of: its own letters first, then those that it lacks. */
const PACKAGES: Record<Face, readonly string[]> = {
  sans: ['ibm-plex-sans', 'ibm-plex-sans-hebrew', 'ibm-plex-sans-arabic'],
  serif: ['fraunces', 'ibm-plex-sans', 'ibm-plex-sans-hebrew', 'ibm-plex-sans-arabic'],
  mono: ['ibm-plex-mono', 'ibm-plex-sans', 'ibm-plex-sans-hebrew', 'ibm-plex-sans-arabic'],
}

/** The files of the weight that countdowns are set in. */
export const COUNTDOWN_FONT = /-(?:latin|latin-ext|cyrillic|greek|hebrew|arabic)-600-normal\.woff2$/

const known = new Map<string, string[]>()

/** Registers the files of a package, each under a name of its own: a file holds the letters of one script. */
function familiesOf(folder: string, name: string): string[] {
  const before = known.get(name)
  if (before) return before
  const path = join(folder, name, 'files')
  const files = existsSync(path) ? readdirSync(path).filter((f) => COUNTDOWN_FONT.test(f)) : []
  // Latin letters first: the digits are theirs.
  const sorted = files.sort((a, b) => Number(b.includes('-latin-600')) - Number(a.includes('-latin-600')))
  const families = sorted.map((file) => {
    const family = `countdown ${file.replace(/-600-normal\.woff2$/, '')}`
    GlobalFonts.registerFromPath(join(path, file), family)
    return family
  })
  known.set(name, families)
  return families
}

/** A face as a list of CSS families. @param folder holds the font packages */
export const familyOf = (folder: string, face: Face): string =>
  [...PACKAGES[face].flatMap((name) => familiesOf(folder, name)).map((f) => `"${f}"`), 'sans-serif'].join(
    ', ',
  )

/** All packages that countdowns are set in. */
export const countdownPackages = [...new Set(Object.values(PACKAGES).flat())]
