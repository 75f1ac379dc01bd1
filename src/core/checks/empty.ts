import { plainOf } from '../email/richtext'
import { placesOf } from '../email/walk'
import type { Check } from './check'

export const empty: Check = {
  name: 'empty',
  about: 'Words have words, buttons have a label, and pictures have a picture.',
  run: ({ email }) => [...placesOf(email)].flatMap(({ band, tile }) => {
    const what = tile.kind === 'words' && !plainOf(tile.text) ? 'Words not written yet' : tile.kind === 'picture' && !tile.picture ? 'No picture chosen' : tile.kind === 'button' && !tile.label.trim() ? 'Button without words' : tile.kind === 'code' && !tile.html.trim() ? 'Code not written yet'
      : tile.kind === 'menu' && tile.items.every((i) => !i.label.trim()) ? 'Menu without words' : tile.kind === 'social' && !tile.icons.some((i) => i.picture) ? 'No icon chosen' : tile.kind === 'table' && tile.rows.every((r) => r.every((s) => !s.trim())) ? 'Table without words' : null
    return what ? [{ weight: 'mend' as const, stage: 'compose' as const, where: { band: band.id, tile: tile.id }, what, why: 'It leaves a hole in the email. Fill it, or take it out.' }] : []
  }),
}
