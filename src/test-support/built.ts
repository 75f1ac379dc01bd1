import sharp from 'sharp'
import { autocut } from '@/core/cut/autocut'
import { buildEmail } from '@/core/cut/build'
import { linearGradientOf } from '@/core/cut/gradient'
import { groundOf } from '@/core/cut/ground'
import { readInk } from '@/core/cut/ink'
import { emptyPlan, asBuilt, type Cut, type CutPlan } from '@/core/cut/plan'
import { readNarrowDesign } from '@/core/cut/narrow-design'
import { overlap, type Raster, type Rect } from '@/core/cut/raster'
import { textOf, type RichText } from '@/core/email/richtext'
import { emailSchema } from '@/core/tiles/document'
import type { Email } from '@/core/email/schema'
import { fontStacks, safeFonts, type SafeFont } from '@/core/email/fonts'
import { standIns } from '@/core/email/stand-ins'
import { plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import type { Scene, ScenePart } from './scenes'

/** The stack whose stand-in a font is; Arial's of any other. */
const stackOf = (font: string): SafeFont => {
  const by = font.split(',')[0]!.trim()
  const { family } = standIns.find((s) => s.by === by) ?? standIns[0]!
  return safeFonts.find((name) => fontStacks[name].css.replace(/'/g, '').startsWith(family)) ?? 'sans'
}

/** A scene's first build, with words as a perfect reading would give them. */
export interface Built {
  scene: Scene
  scale: number
  email: Email
  plan: CutPlan
  raster: Raster
  house: HouseStyle
  /** Address of each picture, by its id: the crop of the design. */
  crops: Map<string, string>
}

/**
 * Builds a scene from its pixels. @param scale design px for each px of the email @param quality of the JPEG that it comes as
 * @param narrow the design for phones
 */
export async function buildScene(scene: Scene, scale = 2, quality?: number, narrow?: Scene): Promise<Built> {
  const raster = await pixels(scene, scale, quality)
  const found = autocut(raster, scale)
  const parts = scene.bands.flatMap((b) => b.parts)
  const cuts = found.cuts.map((c) => read(c, parts, scale))
  const plan: CutPlan = {
    ...emptyPlan(),
    cuts,
    edges: found.edges.map((e) => e.y),
    panels: found.panels,
  }
  const crops = new Map<string, string>()
  const pictures = new Map(
    await Promise.all(
      cuts
        .map(asBuilt)
        .filter((c) => c.kind === 'picture')
        .map(async (c, i) => {
          const id = i.toString(16).padStart(64, '0')
          crops.set(id, await crop(raster, c))
          return [c.id, { id, type: 'image/png' as const, width: c.w, height: c.h, bytes: 900 }] as const
        }),
    ),
  )
  const house = plainHouseStyle()
  const font = parts.find((p) => p.words)?.words!.font ?? ''
  const own = stackOf(font)
  for (const style of Object.values(house.text)) style.font = own
  house.button.font = own
  const wide = { ...raster, plan, groundOf: (r: Rect) => groundOf(raster, r) }
  const { email } = buildEmail({
    plan,
    ...(narrow ? { narrow: readNarrowDesign(wide, await pixels(narrow, scale), house) } : {}),
    size: raster,
    emailWidth: scene.width,
    pictures,
    previous: null,
    house,
    groundOf: (r) => groundOf(raster, r),
    readInk: (r, g) => readInk(raster, r, g),
    gradientOf: (r, apart) => linearGradientOf(raster, r, apart),
  })
  return { scene, scale, raster, email: emailSchema.parse(email), plan, house, crops }
}

async function pixels(scene: Scene, scale: number, quality?: number): Promise<Raster> {
  let image = sharp(Buffer.from(scene.svg(scale))).flatten({ background: '#ffffff' })
  if (quality) image = sharp(await image.jpeg({ quality }).toBuffer())
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}

async function crop(raster: Raster, { x, y, w, h }: Cut): Promise<string> {
  const png = await sharp(Buffer.from(raster.data), {
    raw: { width: raster.width, height: raster.height, channels: 4 },
  })
    .extract({ left: x, top: y, width: w, height: h })
    .png({ compressionLevel: 1 })
    .toBuffer()
  return `data:image/png;base64,${png.toString('base64')}`
}

/** A cut with the words of the parts that lie in it, each a paragraph. */
function read(cut: Cut, parts: readonly ScenePart[], scale: number): Cut {
  const inside = parts.filter((p) => {
    const box = { x: p.x * scale, y: p.y * scale, w: p.w * scale, h: p.h * scale }
    const shared = overlap(cut, box)
    return shared && shared.w * shared.h > 0.5 * box.w * box.h
  })
  if (cut.kind === 'picture') return { ...cut, alt: 'A picture' }
  if (cut.kind === 'button') {
    const label = inside.find((p) => p.button)?.button!.label
    return label ? { ...cut, words: textOf(label), link: 'https://halden.example/go' } : cut
  }
  if (cut.kind !== 'words') return cut
  return inside.some((p) => p.words) ? { ...cut, words: { type: 'doc', content: blocksOf(inside) } } : cut
}

/** Parts as paragraphs, those behind points as lists. */
function blocksOf(parts: readonly ScenePart[]): RichText['content'] {
  const out: RichText['content'] = []
  for (const { words } of parts) {
    if (!words) continue
    const [paragraph] = textOf(words.lines.join(' ')).content
    const last = out.at(-1)
    if (!words.point) out.push(paragraph!)
    else if (last?.type === 'bulletList')
      last.content.push({ type: 'listItem', content: [paragraph as never] })
    else out.push({ type: 'bulletList', content: [{ type: 'listItem', content: [paragraph as never] }] })
  }
  return out
}
