import type { Element, ElementContent, Properties } from 'hast'
import { bandGround, bleedGround, gradientAcross } from '../email/ground'
import { plainOf } from '../email/gradient'
import { blockWidth, innerWidth, measureBand } from '../email/measures'
import type { Band, Cell } from '../email/schema'
import { css, el, trim } from '../html/element'
import { ghost, notWord } from '../html/nodes'
import { classes, type CompileContext } from '../tiles/context'
import { Rules, type Rule } from '../tiles/rules'
import { box, flow } from '../tiles/space'
import { cardShell, ghostTable, gradientStyle, layout, onFill, pictureStyle, type Fill } from './boxes'
import { cellInset, cellRows, holderCell, plain, visibility, type BandContext, type Held } from './cell'
import { insetOf, within } from './inset'
import { separated } from './passes/separate'
import { bare, rowContent } from './row'

/** One band as a tree, with the rules it needs in the head. */
export interface BandTree {
  /** The whole band. */
  tree: ElementContent[]
  /** What it holds: rows of the table that its wrapper ends in. */
  rows: ElementContent[]
  /**
   * Its wrapper with a slot for rows, and what wrappers alike are called: neighbours whose wrappers are alike share one. Null
   * where it has one that no other may share.
   */
  wrapper: { tree: ElementContent[]; like: string } | null
  rules: ReadonlyMap<string, Rule>
}

/**
 * A band: a block no wider than the email (a ghost table of that width for the Word engine, which knows no max-width), in it a table
 * with a row for each tile or for each row of cells. Where its bleed has a look, a table as wide as the window carries that.
 */
export function bandTree(band: Band, context: CompileContext): BandTree {
  const rules = new Rules()
  const c: BandContext = {
    ...context,
    dir: band.dir ?? context.dir,
    lang: band.lang ?? context.lang,
    rules,
    role: band.role,
    look: context.style.roles[band.role],
    kept: false,
    drawn: filled(fillOf(band, 'email')) || filled(fillOf(band, 'window')),
    top: true,
    measures: measureBand(band, context.width),
    row: rowContent,
  }
  const { rows: whole, flat } = rowsOf(band, c)
  const rows = separated(whole)
  return {
    tree: wrapped(band, rows, { band: band.id, cell: flat?.id }, c),
    rows,
    wrapper: shares(band)
      ? { tree: wrapped(band, [{ type: 'slot', value: '' }], {}, c), like: likeness(band) }
      : null,
    rules: rules.used,
  }
}

/** Ids of what the elements of a wrapper mark. */
interface Marks {
  band?: string
  /** A cell that has no element of its own. */
  cell?: string | undefined
}

function wrapped(band: Band, rows: ElementContent[], marks: Marks, c: BandContext): ElementContent[] {
  const outer = bleeds(band)
  const block = blockOf(band, rows, outer ? { cell: marks.cell } : marks, c)
  const whole = outer ? [bleedTable(band, block, marks.band, c)] : block
  return band.show === 'narrow' ? [notWord(...whole)] : whole
}

/** What lies behind a band's email width, or behind its whole row. */
const fillOf = (band: Band, across: 'email' | 'window'): Fill => ({
  picture: band.picture?.across === across ? band.picture : undefined,
  gradient: gradientAcross(band, across),
})

const filled = ({ picture, gradient }: Fill): boolean => !!(picture || gradient)

/** @param c for the addresses of pictures */
const fillStyle = ({ picture, gradient }: Fill, c: CompileContext) =>
  picture ? pictureStyle(picture, c.src) : gradientStyle(gradient)

/** Whether the window beside the band has a look of the band's own, or space around a card. */
const bleeds = (band: Band): boolean =>
  !!(band.bleed || band.nightBleed || band.card) || filled(fillOf(band, 'window'))

/** Whether neighbours may stand in its wrapper. */
const shares = (band: Band): boolean =>
  !bleeds(band) && !band.gradient && band.show === 'all' && !band.when && !band.lang && !band.dir

/** What wrappers have in common that may be shared. */
const likeness = ({ background, nightBackground }: Band): string =>
  `${background ?? ''}/${nightBackground ?? ''}`

/** What the band holds as rows of a table, and its only cell where the rows are that cell's. */
function rowsOf(band: Band, c: BandContext): { rows: ElementContent[]; flat?: Cell } {
  const ground = bandGround(band, c.style)
  const inset = insetOf(band, band.narrowPadding)
  const fill = fillOf(band, 'email')
  const only = band.cells.length === 1 ? band.cells[0]! : undefined
  if (only && bare(only) && !filled(fill)) {
    const rows = cellRows(only, within(inset, cellInset(only)), ground, c)
    if (rows) return { rows, flat: only }
  }
  const content = rowContent(band, innerWidth(band, c.width), ground, c)
  const held: Held = { ...plain(content.children), style: { 'font-size': 0, ...content.style } }
  const row = el('tr', null, holderCell(held, inset, c))
  if (!filled(fill)) return { rows: [row] }
  // The box of the Word engine is as wide as the block: its space has to stand inside.
  const inside = [layout({ width: '100%' }, [row])]
  const box = onFill(fill, blockWidth(band, c.width), ground.color, inside, c)
  const cell = el('td', { ...filledCell(fill, band.nightBackground, c), style: css(fillStyle(fill, c)) }, box)
  return { rows: [el('tr', null, cell)] }
}

/** What a cell with a picture or a gradient behind it says besides its style. @param night its plain ground of the night */
const filledCell = ({ picture, gradient }: Fill, night: string | undefined, c: BandContext): Properties =>
  picture
    ? { background: c.src(picture.picture) }
    : { className: classes(gradient && c.rules.nightGradient(gradient, night)) }

/** The block of the email's width, with the edge and corners of a card. */
function blockOf(band: Band, rows: ElementContent[], marks: Marks, c: BandContext): ElementContent[] {
  const width = blockWidth(band, c.width)
  const shell = cardShell(band.card, c)
  const plain = plainOf(band.background, gradientAcross(band, 'email'))
  const seen = bleeds(band) ? undefined : visibility(band.show, 'block', c.rules)
  const table = layout(
    {
      width: '100%',
      className: classes(band.nightBackground && c.rules.nightGround(band.nightBackground)),
      ...(plain ? { bgColor: plain } : {}),
      lang: band.lang,
      dir: band.dir,
      dataM: marks.cell,
      style: css({ 'background-color': plain }) || undefined,
    },
    rows,
  )
  const block = el(
    'div',
    {
      className: classes(...shell.names, seen?.className),
      dataM: marks.band,
      style: css({ 'max-width': width, margin: '0 auto', ...shell.style, ...seen?.style }),
    },
    table,
  )
  const whole = trim(width + 2 * (band.card?.edge?.width ?? 0))
  const dir: Properties = c.dir === 'rtl' ? { dir: 'rtl' } : {}
  return [ghostTable({ width: whole, align: 'center', ...dir }, [ghost('td', shell.word, [block])])]
}

/** The window's width, with the bleed and what hides the band on one of the two widths. */
function bleedTable(band: Band, block: ElementContent[], mark: string | undefined, c: BandContext): Element {
  const seen = visibility(band.show, 'table', c.rules)
  const fill = fillOf(band, 'window')
  const { color } = bleedGround(band, c.style)
  const plain = plainOf(band.bleed, fill.gradient)
  const around = band.card ? box(flow(band.card.around, c.dir)) : '0'
  const style = css({ ...fillStyle(fill, c), padding: around === '0' ? undefined : around })
  const cell = el(
    'td',
    { ...filledCell(fill, band.nightBleed, c), style: style || undefined },
    // Of two the Word engine gets the one that is nearer to the words.
    onFill(filled(fillOf(band, 'email')) ? {} : fill, null, color, block, c),
  )
  return layout(
    {
      width: '100%',
      className: classes(seen.className, band.nightBleed && c.rules.nightGround(band.nightBleed)),
      ...(plain ? { bgColor: plain } : {}),
      dataM: mark,
      style: css({ 'background-color': plain, ...seen.style }) || undefined,
    },
    [el('tr', null, cell)],
  )
}
