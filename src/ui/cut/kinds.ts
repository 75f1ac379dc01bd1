import type { CutKind, PartKind } from '@/core/cut/plan'

/** What each kind of cut is called. */
export const kindNames: Record<CutKind, string> = {
  picture: 'Picture',
  words: 'Words',
  button: 'Button',
  rule: 'Rule',
  flat: 'Flat colour',
  nothing: 'Nothing',
}

/** What a part was taken for. */
export const partNames: Record<PartKind, string> = {
  ground: 'flat ground',
  photo: 'a photograph',
  drawing: 'a drawing',
  words: 'words',
  button: 'a button',
  rule: 'a rule',
  icons: 'an icon',
}

/** How a cut of each kind is tinted over the design. */
export const tints: Record<CutKind, string> = {
  picture: 'rgb(33 80 143 / 0.08)',
  words: 'rgb(43 122 104 / 0.10)',
  button: 'rgb(180 75 42 / 0.10)',
  rule: 'rgb(32 39 43 / 0.12)',
  flat: 'rgb(185 125 18 / 0.16)',
  nothing: 'rgb(32 39 43 / 0.28)',
}
