import type { PageFace } from '@/core/house/faces'
import { openLicence } from '@/core/house/licence'
import type { PageStyle } from '@/core/house/page'
import { keepFont, MOST_FONT } from '../fonts/fonts'
import { guardedFetch, type FetchLimits } from '../net/guarded-fetch'
import { compute } from '../pool'
import { Problem } from '../problem'

/** Files taken of one font, and of all of a page. */
const MOST_FILES = 4
const MOST_ALL = 8

type Font = PageStyle['fonts'][number]

/**
 * The fonts of a page with those files of them that a house style may take over: the ones that name an open licence. They are kept
 * here; what no house style names goes after a month. Each other font says why it is not offered.
 */
export async function offered(
  fonts: readonly Font[],
  faces: readonly PageFace[],
  bounds: FetchLimits,
  signal?: AbortSignal,
): Promise<Font[]> {
  let left = MOST_ALL
  const out: Font[] = []
  for (const font of fonts) {
    const own = byUse(facesOf(font.value, faces))
    const taken = own.slice(0, Math.min(MOST_FILES, left))
    left -= taken.length
    out.push(taken.length ? { ...font, ...(await offerOf(taken, bounds, signal)) } : font)
  }
  return out
}

/** The faces of a family, one of each weight and slant, whichever sheet names it first. */
const facesOf = (family: string, faces: readonly PageFace[]): PageFace[] => {
  const own = faces.filter((f) => f.family.toLowerCase() === family.toLowerCase())
  return own.filter((f, i) => own.findIndex((o) => o.weight === f.weight && o.italic === f.italic) === i)
}

/** Regular and bold first. */
const byUse = (faces: readonly PageFace[]): PageFace[] => {
  const rank = ({ weight, italic }: PageFace) =>
    (weight === 400 ? 0 : weight === 700 ? 1 : 2) + (italic ? 1.5 : 0)
  return [...faces].sort((a, b) => rank(a) - rank(b))
}

async function offerOf(
  faces: readonly PageFace[],
  bounds: FetchLimits,
  signal?: AbortSignal,
): Promise<Pick<Font, 'offer' | 'held'>> {
  const files: NonNullable<Font['offer']>['files'] = []
  let licence = ''
  for (const { address, weight, italic } of faces) {
    const found = await fileAt(address, bounds, signal)
    if (!found) continue
    if (!found.licence)
      return { held: 'Its file names no open licence: ask the client whether emails may load it.' }
    licence = found.licence
    const { id: kept, measures } = await keepFont(found.bytes)
    files.push({ address, weight, italic, kept, measures })
  }
  return files.length ? { offer: { licence, files } } : { held: 'Its files could not be read.' }
}

/** A font file and its open licence; null where it does not come or is none. */
async function fileAt(
  address: string,
  bounds: FetchLimits,
  signal?: AbortSignal,
): Promise<{ bytes: Buffer; licence: string | null } | null> {
  try {
    const { bytes } = await guardedFetch(address, { ...bounds, most: MOST_FONT })
    return { bytes, licence: openLicence(await compute('fontTerms', { bytes }, { signal })) }
  } catch (error) {
    if (error instanceof Problem) return null
    throw error
  }
}
