import type { Behaviour } from './behaviour'

const DARK = /\(prefers-color-scheme:\s?dark\)/g
const SOURCE = /<source [^<>]{0,2000}>/g
const ATTRIBUTES = /\[data-ogs[cb]\] /g
const GROUND = /(background(?:-color)?:\s?|bgcolor=")(#[0-9a-f]{6})/g

/** Whether a text says how it looks in the dark. */
export const saysNight = (html: string): boolean => html.search(DARK) >= 0

/** What stands around the bands, recoloured: grounds alone, since no words stand there. */
export function recoloredAround(html: string, behaviour: Behaviour): string {
  if (!behaviour.recolors) return html
  const at = html.indexOf('</head>')
  const body = html.slice(Math.max(0, at)).replace(GROUND, (_, what: string, color: string) => {
    return `${what}${behaviour.ground(color, {}) ?? behaviour.page}`
  })
  return html.slice(0, Math.max(0, at)) + body
}

/** Lets none of the email's own rules for the dark hold, whatever the window that shows it prefers. */
export const byDay = (html: string): string => withRules(html, { rules: 'none' }).replace(DARK, 'not all')

/** Lets the email's own rules for the dark hold, as a reader of this kind does. */
export function withRules(written: string, { rules, sources }: Pick<Behaviour, 'rules' | 'sources'>): string {
  // Whatever the reader's own window prefers: pictures for the dark are shown where they are, and nowhere else.
  const html = written.replace(SOURCE, (source) =>
    source.replace(DARK, sources || rules === 'media' ? 'all' : 'not all'),
  )
  if (rules === 'media') return html.replace(DARK, 'all')
  return rules === 'attributes' ? html.replace(ATTRIBUTES, '') : html
}
