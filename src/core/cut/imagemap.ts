import { plainOf } from '../email/richtext'
import { orderedCuts, type Cut, type CutPlan } from './plan'

const escape = (s: string) =>
  s
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
    .replace(/[^\t\n\r -\ud7ff\ue000-\ufffd]/g, '')

/** Only addresses that lead somewhere harmless stand in the map. */
const address = (link: string): string | null =>
  /^(https?:\/\/|mailto:)/i.test(link.trim()) ? link.trim() : null

/** What a cut says, in one line. */
export const saidOf = (c: Cut): string =>
  c.kind === 'picture' ? (c.alt ?? '') : c.words ? plainOf(c.words).replace(/\s+/g, ' ') : ''

/**
 * The cuts of a plan as an SVG image map over the design: a rectangle for each cut with its title, inside a
 * link where it has one (SVG 2, 16.2).
 * @param picture address of the design's picture
 */
export function imageMap(plan: CutPlan, size: { width: number; height: number }, picture: string): string {
  const areas = orderedCuts(plan).map((c, i) => {
    const rect = `<rect id="${escape(c.id)}" data-kind="${c.kind}" x="${c.x}" y="${c.y}" width="${c.w}" height="${c.h}" fill="transparent" stroke="#21508f" stroke-width="2"><title>${escape(`${i + 1} ${c.kind}${saidOf(c) ? `: ${saidOf(c)}` : ''}`)}</title></rect>`
    const link = address(c.link)
    return `  ${link ? `<a href="${escape(link)}">${rect}</a>` : rect}`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}" viewBox="0 0 ${size.width} ${size.height}">\n  <image href="${escape(picture)}" width="${size.width}" height="${size.height}"/>\n${areas.join('\n')}\n</svg>\n`
}
