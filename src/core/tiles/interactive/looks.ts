import { contrast } from '../../color/contrast'
import { mix } from '../../color/mix'
import type { RoleStyle } from '../../email/cascade'
import type { ButtonStyle, TextStyle } from '../../email/styles'
import type { TileContext } from '../context'

/** What interactive tiles are drawn in: the role's letters and the client's accent, so that they fit without being set. */
export interface Looks {
  body: TextStyle
  small: TextStyle
  accent: string
  onAccent: string
  /** Lines between parts. */
  line: string
  /** Edges of what is pressed or written in, and stars that do not shine: seen as such (WCAG 2.2, 1.4.11). */
  edge: string
  radius: number
  /** How a link looks that is pressed like a button. */
  press: Partial<ButtonStyle>
  /** Inks of the night, where words or what is behind them has one. */
  night: { ink: string; edge: string; line: string } | null
}

/** White or near black, whichever is read better on a ground. */
const inkOn = (ground: string): string =>
  contrast('#ffffff', ground) >= contrast('#16191c', ground) ? '#ffffff' : '#16191c'

/** Contrast of parts with their ground (WCAG 2.2, 1.4.11), with a little to spare. */
const SEEN = 3.1

/** The palest mix of an ink with its ground that is still seen. */
function edgeOn(ink: string, ground: string): string {
  for (let part = 0.7; part > 0; part -= 0.05) {
    const edge = mix(ink, ground, part)
    if (contrast(edge, ground) >= SEEN) return edge
  }
  return ink
}

export function looksOf(
  tile: { accent?: string | undefined },
  { look, ground }: { look: RoleStyle; ground: Pick<TileContext['ground'], 'color' | 'night'> },
): Looks {
  const main = look.button.main
  const body = look.text[look.base]
  const accent = tile.accent ?? main.background
  return {
    body,
    small: look.text.small,
    accent,
    onAccent: tile.accent ? inkOn(accent) : main.color,
    line: mix(body.color, ground.color, 0.7),
    edge: edgeOn(body.color, ground.color),
    radius: Math.min(main.radius, 8),
    press: pressOf(tile.accent, look),
    night: nightOf(body, ground),
  }
}

/** The look of a button in the accent; where that is the house's own, the house's night comes along. */
function pressOf(accent: string | undefined, look: RoleStyle): Partial<ButtonStyle> {
  const { main } = look.button
  const { font, size } = look.text[look.base]
  const letters = { font, size, bold: true, padX: 18, padY: 10, radius: Math.min(main.radius, 8) }
  const bare = { borderWidth: undefined, spacing: undefined, capitals: undefined }
  if (!accent) return { ...letters, ...bare }
  const none = {
    nightBackground: undefined,
    nightColor: undefined,
    hoverBackground: undefined,
    hoverColor: undefined,
  }
  return { ...letters, ...bare, ...none, background: accent, color: inkOn(accent) }
}

function nightOf(body: TextStyle, ground: Pick<TileContext['ground'], 'color' | 'night'>): Looks['night'] {
  const ink = body.nightColor ?? body.color
  if (ink === body.color && ground.night === ground.color) return null
  return { ink, edge: edgeOn(ink, ground.night), line: mix(ink, ground.night, 0.7) }
}
