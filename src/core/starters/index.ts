import { newEmail, newId, type NewId } from '../email/defaults'
import { applyEdit } from '../email/edits'
import type { Band, Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import { tilesOf } from '../email/walk'
import type { PictureRef } from '../picture/ref'
import { definitionOf } from '../tiles'
import { answers } from './bands/answers'
import { cards } from './bands/cards'
import { choices } from './bands/choices'
import { feet } from './bands/feet'
import { goods } from './bands/goods'
import { heads } from './bands/heads'
import { notices } from './bands/notices'
import { openings } from './bands/openings'
import { stories } from './bands/stories'
import { times } from './bands/times'
import { voices } from './bands/voices'
import { Kit } from './kit'
import type { StarterLayout } from './layouts'
import { drawingOf, type Drawing } from './motifs'
import type { StarterBand } from './starter'

export { starterLayouts, type StarterLayout } from './layouts'
export { starterGroups, type StarterBand } from './starter'

/** Every band to begin from. */
export const starterBands: readonly StarterBand[] = [
  ...heads,
  ...openings,
  ...stories,
  ...goods,
  ...times,
  ...choices,
  ...voices,
  ...answers,
  ...cards,
  ...notices,
  ...feet,
]

/** Whose email it becomes, and how wide it is, px. */
export interface StarterFor {
  house: HouseStyle
  width: number
  id?: NewId
}

/** A starter as a band of an email, in its client's colours; its pictures are still to be drawn (`drawingsIn`). */
export const starterBand = (starter: StarterBand, { house, width, id = newId }: StarterFor): Band =>
  starter.make(new Kit(width, house, id), starter.name)

/** A layout as an email; its pictures are still to be drawn. */
export const starterEmail = (layout: StarterLayout, what: StarterFor): Email => ({
  ...newEmail(what.width),
  title: layout.subject,
  subject: layout.subject,
  preheader: layout.preheader,
  bands: withTitle(
    layout.bands.map((name) =>
      starterBand(
        starterBands.find((b) => b.id === name)!,
        what,
      ),
    ),
    what.house,
  ),
})

/** Bands of which one heading is the email's: where none is of the first level, the first of all becomes it and keeps its look. */
function withTitle(bands: Band[], house: HouseStyle): Band[] {
  const headed = bands.flatMap((band) =>
    [...tilesOf(band)].flatMap((tile) =>
      tile.kind === 'words'
        ? tile.text.content.flatMap((block) => (block.type === 'heading' ? [{ tile, block }] : []))
        : [],
    ),
  )
  const [first] = headed
  if (!first || headed.some(({ block }) => block.attrs.level === 1)) return bands
  const { size, line, bold } = house.text[`heading${first.block.attrs.level}`]
  const set = {
    headings: { size, line, bold, ...first.tile.headings },
    text: {
      ...first.tile.text,
      content: first.tile.text.content.map((b) =>
        b === first.block ? { ...first.block, attrs: { ...first.block.attrs, level: 1 as const } } : b,
      ),
    },
  }
  const email = { ...newEmail(), bands }
  return applyEdit(email, { name: 'setTile', what: { id: first.tile.id, kind: 'words', set } }).bands
}

/** What is to be drawn in bands of starters, each once, by the picture that stands for it. */
export function drawingsIn(bands: readonly Band[]): Map<string, Drawing> {
  const drawings = new Map<string, Drawing>()
  for (const band of bands)
    for (const tile of tilesOf(band))
      for (const { picture } of definitionOf(tile).pictures(tile)) {
        const drawing = drawingOf(picture)
        if (drawing) drawings.set(picture.id, drawing)
      }
  return drawings
}

/** Bands with their pictures. @param pictures what was drawn, by the picture that stood for it */
export const withDrawn = (bands: readonly Band[], pictures: ReadonlyMap<string, PictureRef>): Band[] =>
  JSON.parse(JSON.stringify(bands), (_, value: unknown) =>
    isPicture(value) ? (pictures.get(value.id) ?? value) : value,
  ) as Band[]

const isPicture = (value: unknown): value is PictureRef =>
  typeof value === 'object' && value !== null && 'id' in value && 'bytes' in value
