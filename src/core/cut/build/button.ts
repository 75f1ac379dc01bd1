import { plainOf } from '../../email/richtext'
import type { Tile } from '../../email/tile'
import { buttonHeight, buttonLine } from '../../tiles/button/html'
import type { Cut } from '../plan'
import type { Rect } from '../raster'
import type { Building, Placed } from './building'

/** A button that ends this near to the side of its column reaches to it, px of the email. */
const NEAR = 4
/** A wider button must not grow, px of the email. */
const WIDE = 400
/** A share of the words' width that other machines' letters may take more. */
const SPARE = 0.02
/** Space on both sides that differs by no more than this is the same, px of the email. */
const SAME_SPACE = 4
/** As much as the document allows, px of the email. */
const MOST_RADIUS = 60
const MOST_PAD = { x: 400, y: 60 }
const LONGEST_LABEL = 200

/** The middle of a button, where its words stand, with room for what they measure otherwise. @param w @param size of the letters, design px */
const labelIn = ({ x, y, w: wide, h }: Rect, w: number, size: number): Rect => {
  const inside = { w: Math.min(wide, 1.15 * w + size), h: Math.min(h, 1.5 * size) }
  return { x: x + (wide - inside.w) / 2, y: y + (h - inside.h) / 2, ...inside }
}

export function buttonOf(
  b: Building,
  cut: Cut,
  base: Pick<Tile, 'id' | 'cut' | 'show' | 'padding'>,
  rect: Rect,
  top: number,
): Placed<Tile> {
  const s = b.scale
  const box = cut.box ?? { background: b.input.groundOf(cut).color, radius: 0 }
  const { color, font, stack, size, bold, width } = b.lettering.label(cut, box)
  const border = box.borderWidth ?? 0
  // One that reaches to the side of its column must not be a hair wider, whatever its letters measure
  // elsewhere.
  const reaches = b.columns > 0 && rect.x + rect.w - cut.x - cut.w < NEAR * s
  const spare = reaches || cut.w / s > WIDE ? (stack.matched ? 1 : Math.ceil(SPARE * width)) : 0
  // Beside others its room ends where it does.
  const whole = b.columns > 0 ? Math.floor : Math.round
  // What whole px of padding make it too low, the next thing makes good.
  const line = buttonLine({ size }),
    padY = Math.max(0, Math.min(MOST_PAD.y, Math.ceil((cut.h / s - line) / 2 - border - 0.5)))
  // Where it is as wide as its place, the email tells whether it stands in the middle.
  const place = rect.w - cut.w > NEAR * s ? rect : { x: 0, w: b.input.size.width }
  const centred = Math.abs(cut.x - place.x - (place.x + place.w - cut.x - cut.w)) <= SAME_SPACE * s
  return {
    made: {
      ...base,
      padding: {
        ...base.padding,
        left: centred ? 0 : base.padding.left,
        right: centred ? 0 : Math.min(base.padding.right, base.padding.left),
      },
      kind: 'button',
      label: cut.words ? plainOf(cut.words).replace(/\s+/g, ' ').slice(0, LONGEST_LABEL) : '',
      link: cut.link,
      align: centred ? 'center' : 'left',
      fullNarrow: true,
      style: {
        ...b.groundAs(cut, box.background, [labelIn(cut, width * s, size * s)], {
          edge: border * s,
          radius: box.radius * s,
        }),
        color: cut.lettering?.color ?? color ?? '#ffffff',
        size,
        radius: Math.min(MOST_RADIUS, Math.round(box.radius)),
        bold,
        ...((cut.lettering?.font ?? font) ? { font: cut.lettering?.font ?? font } : {}),
        padX: Math.max(0, Math.min(MOST_PAD.x, whole((cut.w / s - width) / 2 - border) - spare)),
        padY,
        ...(border ? { borderWidth: border, borderColor: box.borderColor } : { borderWidth: 0 }),
      },
    },
    top: cut.y,
    bottom: top + (base.padding.top + buttonHeight({ size, padY, borderWidth: border })) * s,
  }
}
