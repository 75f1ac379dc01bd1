import type { Habit } from './habit'

/** Links have the reader's colour; words in an element of their own inside keep theirs. */
export const ownLinks = (color: string, rests: string): Habit => ({
  says: 'links have its own colour',
  rests,
  weight: 5,
  page: `a{color:${color}!important}`,
})

/** The sheet of a page that holds the message, as of a web mail built with a CSS framework: each of its resets meets the message too. */
export const frameworkPage: Habit = {
  says: 'the page’s own sheet reaches in',
  rests:
    'Seen in a web mail whose page has the sheet of a CSS framework, 2026-11; the rules as that framework states them (from memory).',
  weight: 4,
  page: [
    '*,::before,::after{box-sizing:border-box}',
    'h1,h2,h3,h4,h5,h6{margin:0 0 .5rem;font-weight:500;line-height:1.2}',
    'p{margin:0 0 1rem}',
    'table{border-collapse:collapse}',
    'img{vertical-align:middle}',
    'a{color:#0186ba}',
  ].join(''),
}
