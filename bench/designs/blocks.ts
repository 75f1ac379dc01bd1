/** The parts of designs, as HTML that need not be an email: what is drawn is what a designer sends. Words carry `data-t`, what they are `data-k`. */
import { dice, photo, subjects, type Subject, type Tones } from './photo'
import type { Story } from './stories'

export interface Theme {
  /** Faces of headlines and of running words. */
  display: string
  body: string
  /** Weight of headlines. */
  heavy: number
  /** px */
  width: number
  pad: number
  radius: number
  /** Size of running words and of headlines, px. */
  text: number
  head: number
  /** Colours: page, sheet, ink, faint ink, accent, ink on accent, a pale and a deep ground. */
  page: string
  sheet: string
  ink: string
  faint: string
  accent: string
  onAccent: string
  pale: string
  deep: string
  tones: Tones
}

export interface Context {
  t: Theme
  s: Story
  seed: number
}
type Block = (c: Context) => string

const words = (text: string, style = '', kind = 'words') =>
  `<div data-t data-k="${kind}" style="${style}">${text}</div>`
const head = ({ t }: Context, text: string, size = t.head, style = '') =>
  words(text, `font:${t.heavy} ${size}px/1.15 '${t.display}';${style}`)
const para = ({ t }: Context, text: string, style = '') =>
  words(text, `font-size:${t.text}px;line-height:1.55;${style}`)
const note = ({ t }: Context, text: string, style = '') =>
  words(text, `font-size:${t.text - 3}px;line-height:1.5;color:${t.faint};${style}`)
const button = ({ t }: Context, text: string, style = '') =>
  `<div data-t data-k="button" style="display:inline-block;font-weight:700;font-size:${t.text}px;line-height:1.2;padding:14px 30px;background:${t.accent};color:${t.onAccent};border-radius:${t.radius}px;${style}">${text}</div>`
const outlined = (c: Context, text: string, style = '') =>
  button(c, text, `background:none;box-shadow:inset 0 0 0 2px currentColor;color:${c.t.accent};${style}`)
const band = ({ t }: Context, inner: string, style = '') =>
  `<div style="padding:${t.pad}px;position:relative;${style}">${inner}</div>`
const seen = (c: Context, w: number, h: number, more = 0, options = {}) => {
  const subject: Subject = subjects[(c.seed + more) % subjects.length]!
  return photo(Math.round(w), Math.round(h), subject, c.t.tones, c.seed * 13 + more, options)
}
/** Words over a picture that fills the band. */
const over = (c: Context, h: number, dim: number, inner: string, style: string) =>
  `<div style="position:relative;height:${h}px;overflow:hidden"><div style="position:absolute;inset:0">${seen(c, c.t.width, h, 1, { dim })}</div><div style="position:relative;box-sizing:border-box;height:100%;padding:${c.t.pad}px;color:#fff;display:flex;flex-direction:column;justify-content:center;${style}">${inner}</div></div>`
const columns = (gap: number, cells: readonly string[], style = '') =>
  `<div style="display:flex;gap:${gap}px;${style}">${cells.map((x) => `<div style="flex:1;min-width:0">${x}</div>`).join('')}</div>`
const icon = (c: Context, i: number, size = 44) =>
  `<svg data-k="picture" width="${size}" height="${size}" viewBox="0 0 44 44" style="flex:none"><g fill="none" stroke="${c.t.accent}" stroke-width="2.5">${
    [
      '<circle cx="22" cy="22" r="17"/><path d="M13 23l6 6 12-13"/>',
      '<rect x="6" y="12" width="32" height="24" rx="3"/><path d="M6 14l16 12 16-12"/>',
      '<path d="M22 6l5 11 12 1-9 8 3 12-11-6-11 6 3-12-9-8 12-1z"/>',
    ][i % 3]
  }</g></svg>`
const logo = (c: Context, style = '') =>
  words(c.s.brand, `font:${c.t.heavy} 24px/1.2 '${c.t.display}';${style}`, 'logo')

export const heads: Record<string, Block> = {
  middle: (c) =>
    band(
      c,
      `${logo(c)}<div style="display:flex;justify-content:center;gap:28px;margin-top:14px">${c.s.menu.map((m) => words(m, 'font-size:13px;letter-spacing:1.5px;text-transform:uppercase')).join('')}</div>`,
      `text-align:center;padding-bottom:20px`,
    ),
  sides: (c) =>
    band(
      c,
      `${logo(c)}${note(c, c.s.lang === 'de' ? 'Im Browser ansehen' : c.s.lang === 'fr' ? 'Voir en ligne' : 'View online', 'text-decoration:underline')}`,
      `display:flex;justify-content:space-between;align-items:center;padding-top:22px;padding-bottom:22px`,
    ),
  dark: (c) =>
    band(
      c,
      `${logo(c)}<div style="display:flex;gap:22px">${c.s.menu.map((m) => words(m, 'font-size:14px')).join('')}</div>`,
      `display:flex;justify-content:space-between;align-items:center;background:${c.t.deep};color:#fff;padding-top:18px;padding-bottom:18px`,
    ),
}

export const heroes: Record<string, Block> = {
  photoCentred: (c) =>
    over(
      c,
      420,
      0.35,
      `${words(c.s.kicker, 'font-size:13px;letter-spacing:2.5px;text-transform:uppercase')}${head(c, c.s.headline, c.t.head + 10, 'margin:12px 0 22px')}<div>${button(c, c.s.calls[0]!)}</div>`,
      'text-align:center;align-items:center',
    ),
  photoLeft: (c) =>
    over(
      c,
      380,
      0.45,
      `${head(c, c.s.headline, c.t.head + 6, 'width:62%')}${para(c, c.s.lead, 'width:60%;margin:12px 0 20px')}<div>${outlined(c, c.s.calls[0]!, 'color:#fff')}</div>`,
      '',
    ),
  gradient: (c) =>
    band(
      c,
      `${head(c, c.s.headline, c.t.head + 8)}${para(c, c.s.lead, 'margin:12px auto 24px;width:78%')}${button(c, c.s.calls[0]!, `background:#fff;color:${c.t.deep}`)}`,
      `background:linear-gradient(160deg,${c.t.deep},${c.t.accent});color:#fff;text-align:center;padding-top:64px;padding-bottom:64px`,
    ),
  card: (c) =>
    `<div>${seen(c, c.t.width, 340, 2)}<div style="margin:-90px ${c.t.pad}px 0;position:relative;background:${c.t.sheet};padding:34px;border-radius:${c.t.radius}px;box-shadow:0 6px 24px rgba(0,0,0,.16)">${head(c, c.s.headline)}${para(c, c.s.lead, 'margin:10px 0 18px')}${button(c, c.s.calls[0]!)}</div></div><div style="height:34px"></div>`,
  split: (c) =>
    `<div style="display:flex;background:${c.t.pale}"><div>${seen(c, c.t.width / 2, 380, 3)}</div><div style="flex:1;padding:${c.t.pad * 0.8}px;display:flex;flex-direction:column;justify-content:center">${words(c.s.kicker, `font-size:13px;color:${c.t.accent};font-weight:700`)}${head(c, c.s.headline, c.t.head - 4, 'margin:8px 0 10px')}${para(c, c.s.lead)}<div style="margin-top:18px">${button(c, c.s.calls[0]!, 'padding:12px 22px')}</div></div></div>`,
  type: (c) =>
    band(
      c,
      `${words(c.s.kicker, `font-size:14px;letter-spacing:3px;text-transform:uppercase;color:${c.t.accent}`)}${head(c, c.s.headline, c.t.head + 20, 'margin:16px 0')}${para(c, c.s.lead, 'margin-bottom:24px')}${button(c, `${c.s.calls[0]!} →`)}`,
    ),
  plain: (c) =>
    `${seen(c, c.t.width, 300, 4)}${band(c, `${head(c, c.s.headline)}${para(c, c.s.lead, 'margin:12px 0 22px')}${button(c, c.s.calls[0]!)}`, 'text-align:center')}`,
}

const item = (c: Context, i: number, w: number, style = '', round = c.t.radius) => {
  const [name, what, price, was] = c.s.items[i]!
  return `<div style="${style}">${seen(c, w, w * 0.9, 10 + i, { round })}${head(c, name, c.t.text + 3, 'margin-top:12px')}${note(c, what)}<div style="display:flex;gap:8px;margin:6px 0 12px;${style ? 'justify-content:center' : ''}">${words(price, `font-size:${c.t.text}px;font-weight:700;color:${c.t.accent}`)}${words(was, `font-size:${c.t.text - 2}px;color:${c.t.faint};text-decoration:line-through`)}</div></div>`
}

const tick = '<path d="M3 9l4 4 8-9" stroke="#1f8a4c" stroke-width="2.5" fill="none"/>'
const cross = '<path d="M4 4l10 10M14 4L4 14" stroke="#b53a3a" stroke-width="2.5" fill="none"/>'
const cell = (text: string) =>
  text === '✓' || text === '✗'
    ? `<svg data-k="picture" width="18" height="18">${text === '✓' ? tick : cross}</svg>`
    : words(text)

export const bodies: Record<string, Block> = {
  pair: (c) => {
    const w = (c.t.width - 2 * c.t.pad - 24) / 2
    return band(
      c,
      `${head(c, c.s.section, c.t.head - 8, 'margin-bottom:20px')}${columns(
        24,
        [0, 1].map((i) => item(c, i, w) + button(c, c.s.calls[2]!, 'padding:11px 20px;font-size:14px')),
      )}`,
    )
  },
  three: (c) => {
    const w = (c.t.width - 2 * c.t.pad - 40) / 3
    return band(
      c,
      columns(
        20,
        [0, 1, 2].map((i) => item(c, i, w, 'text-align:center', w / 2)),
      ),
      `background:${c.t.pale}`,
    )
  },
  figures: (c) =>
    band(
      c,
      `<div style="display:flex">${c.s.figures.map(([n, what], i) => `<div style="flex:1;text-align:center;padding:6px 10px;${i ? `border-left:1px solid ${c.t.faint}` : ''}">${head(c, n, c.t.head + 4, `color:${c.t.accent}`)}${note(c, what)}</div>`).join('')}</div>`,
    ),
  icons: (c) =>
    band(
      c,
      c.s.steps
        .map(
          ([h, w], i) =>
            `<div style="display:flex;gap:18px;align-items:flex-start;margin-top:${i ? 22 : 0}px">${icon(c, i)}<div>${words(h, `font-weight:700;font-size:${c.t.text + 1}px`)}${para(c, w, `color:${c.t.faint}`)}</div></div>`,
        )
        .join(''),
    ),
  iconColumns: (c) =>
    band(
      c,
      `<div style="text-align:center">${columns(
        24,
        c.s.steps.map(
          ([h, w], i) =>
            `${icon(c, i, 52)}${words(h, `font-weight:700;font-size:${c.t.text}px;margin:8px 0 4px`)}${note(c, w)}`,
        ),
      )}</div>`,
      `background:${c.t.pale}`,
    ),
  hours: (c) =>
    band(
      c,
      c.s.hours
        .map(
          ([time, what, more], i) =>
            `<div style="display:flex;gap:20px;position:relative;padding-bottom:22px">${words(time, `width:64px;font-weight:700;font-size:${c.t.text}px;color:${c.t.accent}`)}<svg data-k="picture" width="14" height="60" style="flex:none">${i < 2 ? `<rect x="6" y="10" width="2" height="50" fill="${c.t.faint}"/>` : ''}<circle cx="7" cy="9" r="6" fill="${c.t.accent}"/></svg><div>${words(what, `font-weight:700;font-size:${c.t.text + 1}px`)}${note(c, more)}</div></div>`,
        )
        .join(''),
    ),
  numbered: (c) =>
    band(
      c,
      `${head(c, c.s.section, c.t.head - 8, 'margin-bottom:18px')}${c.s.steps
        .map(
          ([h, w], i) =>
            `<div style="display:flex;gap:16px;margin-bottom:18px">${words(String(i + 1), `flex:none;width:36px;height:36px;line-height:36px;border-radius:50%;background:${c.t.accent};color:${c.t.onAccent};text-align:center;font-weight:700;font-size:16px`, 'badge')}<div>${words(h, `font-weight:700;font-size:${c.t.text + 1}px`)}${para(c, w)}</div></div>`,
        )
        .join('')}`,
    ),
  table: (c) =>
    band(
      c,
      `<table style="width:100%;border-collapse:collapse;font-size:${c.t.text - 1}px">${c.s.rows
        .map(
          (row, i) =>
            `<tr style="${i === 0 ? `background:${c.t.deep};color:#fff;font-weight:700` : i === c.s.rows.length - 1 && !row.includes('✓') ? `font-weight:700;border-top:2px solid ${c.t.ink}` : i % 2 ? '' : `background:${c.t.pale}`}">${row.map((x, k) => `<td style="padding:10px 14px;text-align:${k ? (row.length - 1 === k && !'✓✗'.includes(x) && c.s.rows.some((r) => /\d/.test(r[2] ?? '')) ? 'right' : 'center') : 'left'}">${x ? cell(x) : ''}</td>`).join('')}</tr>`,
        )
        .join('')}</table>`,
    ),
  coupon: (c) =>
    band(
      c,
      `<div style="border:2px dashed ${c.t.accent};padding:26px;text-align:center">${head(c, c.s.offer, c.t.head - 6)}${words(c.s.code, `display:inline-block;margin-top:14px;font-size:${c.t.text + 4}px;letter-spacing:3px;font-weight:700;background:${c.t.pale};padding:10px 20px`)}</div>`,
    ),
  quote: (c) =>
    band(
      c,
      `<div style="display:flex;gap:24px;align-items:center"><div style="flex:none">${seen(c, 110, 110, 20, { round: 55 })}</div><div>${words(`“${c.s.quote}”`, `font:italic 400 ${c.t.text + 4}px/1.45 '${c.t.display}'`)}${note(c, c.s.who, 'margin-top:8px')}</div></div>`,
      `background:${c.t.pale}`,
    ),
  staggered: (c) =>
    [0, 1]
      .map((i) => {
        const side = `<div>${seen(c, c.t.width / 2, 240, 30 + i)}</div>`
        const said = `<div style="flex:1;padding:${c.t.pad * 0.7}px;display:flex;flex-direction:column;justify-content:center">${head(c, c.s.steps[i]![0]!, c.t.head - 8)}${para(c, c.s.steps[i]![1]!, 'margin-top:8px')}${words(`${c.s.calls[1]!} ›`, `margin-top:10px;font-weight:700;font-size:${c.t.text}px;color:${c.t.accent}`)}</div>`
        return `<div style="display:flex">${i ? said + side : side + said}</div>`
      })
      .join(''),
  acts: (c) =>
    band(
      c,
      `${head(c, c.s.section, c.t.head - 8, 'margin-bottom:14px')}${columns(
        30,
        [c.s.hours.map((h) => h[1]), c.s.items.map((i) => i[0])].map((list) =>
          words(list.join('<br>'), `font-size:${c.t.text}px;line-height:1.8`),
        ),
      )}`,
      `background:${c.t.deep};color:#fff`,
    ),
  offers: (c) =>
    band(
      c,
      c.s.items
        .map(
          ([name, what, price], i) =>
            `<div style="display:flex;align-items:center;gap:16px;padding:16px 0;${i ? `border-top:1px solid ${c.t.faint}` : ''}"><div style="flex:1">${words(name, `font-weight:700;font-size:${c.t.text + 1}px`)}${note(c, what)}</div>${words(price, `font-size:${c.t.text + 2}px;font-weight:700`)}${outlined(c, c.s.calls[2]!, 'padding:8px 16px;font-size:13px')}</div>`,
        )
        .join(''),
    ),
  bars: (c) =>
    band(
      c,
      `${head(c, c.s.section, c.t.head - 10, 'margin-bottom:14px')}<svg data-k="picture" width="${c.t.width - 2 * c.t.pad}" height="160">${[0.4, 0.75, 0.55, 0.95, 0.7, 0.35].map((v, i) => `<rect x="${i * ((c.t.width - 2 * c.t.pad) / 6) + 8}" y="${150 - 140 * v}" width="${(c.t.width - 2 * c.t.pad) / 6 - 16}" height="${140 * v}" fill="${i === 3 ? c.t.accent : c.t.tones[1]}"/>`).join('')}</svg>`,
    ),
  strip: (c) =>
    band(
      c,
      `${head(c, c.s.offer, c.t.head - 4)}${para(c, c.s.steps[2]![1]!, 'margin:10px 0 20px')}${outlined(c, c.s.calls[1]!, 'color:#fff')}`,
      `background:${c.t.deep};color:#fff;text-align:center`,
    ),
  photoStrip: (c) =>
    over(
      c,
      240,
      0.3,
      `${head(c, c.s.offer, c.t.head)}<div style="margin-top:16px">${button(c, c.s.calls[1]!, `background:#fff;color:${c.t.deep}`)}</div>`,
      '',
    ),
  article: (c) =>
    band(
      c,
      `${head(c, c.s.section, c.t.head - 6)}${para(c, c.s.lead, 'margin:10px 0')}${words(`${c.s.calls[1]!} →`, `font-weight:700;font-size:${c.t.text}px;color:${c.t.accent};text-decoration:underline`)}`,
    ),
}

const social = (color: string) =>
  [
    '<circle cx="13" cy="13" r="6"/>',
    '<rect x="7" y="7" width="12" height="12" rx="3"/>',
    '<path d="M7 18l6-11 6 11z"/>',
  ]
    .map(
      (d) =>
        `<svg data-k="picture" width="26" height="26" style="margin:0 6px"><circle cx="13" cy="13" r="13" fill="${color}"/><g fill="#fff">${d}</g></svg>`,
    )
    .join('')

export const feet: Record<string, Block> = {
  middle: (c) =>
    band(
      c,
      `${social(c.t.faint)}${note(c, c.s.address, 'margin-top:14px;font-size:12px')}${note(c, c.s.small, 'font-size:12px')}`,
      `text-align:center;background:${c.t.pale}`,
    ),
  columns: (c) =>
    band(
      c,
      columns(30, [
        `${logo(c, 'font-size:18px')}${note(c, c.s.address, 'color:inherit;font-size:13px;margin-top:8px')}`,
        words(c.s.menu.join('<br>'), 'font-size:13px;line-height:1.9'),
        words(c.s.small, 'font-size:12px;line-height:1.6'),
      ]),
      `background:${c.t.deep};color:#fff`,
    ),
  signed: (c) =>
    band(
      c,
      `${words(c.s.who, `font:italic 400 ${c.t.text + 6}px/1.3 '${c.t.display}'`)}${note(c, c.s.brand, 'margin:2px 0 18px')}<div style="border-top:1px solid ${c.t.faint};padding-top:14px">${note(c, c.s.small, 'font-size:11px')}</div>`,
    ),
}

/** Numbers by which a design chooses among parts. */
export const choices = dice
