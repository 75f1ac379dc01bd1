import type { ElementContent } from 'hast'
import { bandGround, bleedGround } from '../email/ground'
import { blockWidth, innerWidth, measureBand } from '../email/measures'
import type { Band } from '../email/schema'
import { css, el, trim } from '../html/element'
import { ghost, notWord } from '../html/nodes'
import { classes, type CompileContext } from '../tiles/context'
import { Rules, type Rule } from '../tiles/rules'
import { box, flow } from '../tiles/space'
import { cardShell, ghostTable, layout, onPicture, pictureStyle } from './boxes'
import { rowContent, visibility, type BandContext } from './row'

/** One band as a tree, with the rules it needs in the head. */
export interface BandTree {
  tree: ElementContent[]
  rules: ReadonlyMap<string, Rule>
}

/**
 * A band: a full-width table that carries the bleed colour, in it a block no wider than the email (a ghost table of that width for
 * the Word engine, which knows no max-width), in it the padded cells.
 */
export function bandTree(band: Band, context: CompileContext): BandTree {
  const rules = new Rules()
  const c: BandContext = {
    ...context,
    dir: band.dir ?? context.dir,
    rules,
    role: band.role,
    look: context.style.roles[band.role],
    kept: false,
    top: true,
    measures: measureBand(band, context.width),
  }
  const outer = outerTable(band, blockOf(band, innerTable(band, c), c), c)
  return { tree: [band.show === 'narrow' ? notWord(outer) : outer], rules: rules.used }
}

/** The cells with the band's ground and padding. */
function innerTable(band: Band, c: BandContext) {
  const ground = bandGround(band, c.style)
  const picture = band.picture?.across === 'email' ? band.picture : undefined
  const cells = rowContent(band, innerWidth(band, c.width), ground, c)
  return layout(
    {
      width: '100%',
      className: classes(band.nightBackground && c.rules.nightGround(band.nightBackground)),
      ...(band.background ? { bgColor: band.background } : {}),
      style: css({ width: '100%', 'background-color': band.background }),
    },
    el(
      'td',
      {
        className: classes(band.narrowPadding && c.rules.padding(flow(band.narrowPadding, c.dir))),
        style: css({
          ...pictureStyle(picture, c.src),
          padding: box(flow(band.padding, c.dir)),
          'font-size': 0,
        }),
      },
      onPicture(picture, blockWidth(band, c.width), ground.color, cells, c.src),
    ),
  )
}

/** The block of the email's width, with the edge and corners of a card. */
function blockOf(band: Band, inner: ElementContent, c: BandContext): ElementContent {
  const width = blockWidth(band, c.width)
  const shell = cardShell(band.card, c)
  const block = el(
    'div',
    {
      className: classes(...shell.names),
      style: css({ 'max-width': width, margin: '0 auto', ...shell.style }),
    },
    [inner],
  )
  const whole = width + 2 * (band.card?.edge?.width ?? 0)
  return ghostTable({ width: trim(whole), align: 'center' }, [ghost('td', shell.word, [block])])
}

/** The window's width, with the bleed and what hides the band on one of the two widths. */
function outerTable(band: Band, block: ElementContent, c: BandContext) {
  const seen = visibility(band.show, 'table', c.rules)
  const picture = band.picture?.across === 'window' ? band.picture : undefined
  return layout(
    {
      width: '100%',
      className: classes(seen.className, band.nightBleed && c.rules.nightGround(band.nightBleed)),
      ...(band.bleed ? { bgColor: band.bleed } : {}),
      lang: band.lang,
      dir: band.dir,
      dataM: band.id,
      style: css({ width: '100%', 'background-color': band.bleed, ...seen.style }),
    },
    el(
      'td',
      {
        align: 'center',
        style: css({
          ...pictureStyle(picture, c.src),
          padding: band.card ? box(flow(band.card.around, c.dir)) : '0',
        }),
      },
      onPicture(picture, null, bleedGround(band, c.style).color, [block], c.src),
    ),
  )
}
