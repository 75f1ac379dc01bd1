import { styleOf } from '@/core/email/cascade'
import { plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import type { TileKind, TileOf } from '@/core/email/tile'
import { toComments } from '@/core/html/conditions'
import { printMapped } from '@/core/html/print'
import { conditionsAsWritten } from '@/core/email/conditions'
import { windowGround } from '@/core/email/ground'
import { asWritten } from '@/core/text/fields'
import { css, el } from '@/core/html/element'
import { definitionOf, newTile } from '@/core/tiles'
import { classes, type TileContext } from '@/core/tiles/context'
import { Rules, sheetLines } from '@/core/tiles/rules'

/** A tile of a kind with its first values and these over them. */
export const tileOf = <K extends TileKind>(kind: K, set: Partial<TileOf<K>> = {}): TileOf<K> =>
  ({ ...newTile(kind, () => 't'), ...set }) as TileOf<K>

/** A picture of 200 by 100 px. */
export const picture = {
  id: 'a'.repeat(64),
  type: 'image/png' as const,
  width: 200,
  height: 100,
  bytes: 900,
}

/** Surroundings of a tile: a cell that leaves it 300 px, in a row as wide as an email of 600 px, in the main part. */
export function surroundings(more: Partial<TileContext> & { house?: HouseStyle } = {}): TileContext {
  const { house = plainHouseStyle(), ...context } = more
  const style = styleOf(house, {})
  return {
    width: 600,
    dir: 'ltr',
    lang: 'en',
    style,
    src: (p) => `${p.id.slice(0, 1)}.png`,
    fields: asWritten,
    conditions: conditionsAsWritten,
    role: 'main',
    look: style.roles.main,
    available: 300,
    ground: windowGround({ ground: '#ffffff' }),
    kept: false,
    rules: new Rules(),
    ...context,
  }
}

/** A tile as HTML on one line, conditions and all, with the rules it asks the head for. */
export function written<K extends TileKind>(
  tile: TileOf<K>,
  more: Partial<TileContext> & { house?: HouseStyle } = {},
): { html: string; rules: string[] } {
  const context = surroundings(more)
  const definition = definitionOf(tile)
  const { style, names } = definition.holder(tile, context)
  const nodes = [
    el(
      'td',
      { className: classes(...names), style: css(style) || undefined },
      definition.html(tile, context),
    ),
  ]
  const { html } = printMapped(toComments(nodes), 0, { indent: null, marks: false })
  return { html, rules: sheetLines(context.rules.used) }
}

/**
 * Markup as an outline that a person can check: an element a line, beneath it its attributes and declarations, one a
 * line, and its words in quotes. What is for the Word engine alone, or for all others, is marked by its condition.
 */
export function outline(html: string): string {
  const out: string[] = []
  let depth = 0
  const line = (text: string, more = 0) => out.push('  '.repeat(depth + more) + text)
  for (const [token] of html.matchAll(
    /<!--\[if [^\]]*\]>(?:<!-->)?|(?:<!--)?<!\[endif\]-->|<[^>]+>|[^<]+/g,
  )) {
    if (/^<!--\[if/.test(token)) line(`[${/\[if ([^\]]*)/.exec(token)![1]}]`)
    else if (/endif/.test(token)) line('[]')
    else if (token.startsWith('</')) depth--
    else if (!token.startsWith('<')) line(JSON.stringify(token.replace(/\u00a0/g, '&nbsp;')))
    else {
      const [, name, rest] = /^<([\w:-]+)([^>]*)>$/.exec(token)!
      line(name!)
      for (const [, key, value] of rest!.matchAll(/([\w:-]+)="([^"]*)"/g))
        if (key === 'style') value!.split(';').forEach((d) => d && line(d, 2))
        else line(`${key}=${value}`, 1)
      if (!/^(img|br|source|hr)$/.test(name!)) depth++
    }
  }
  return out.join('\n')
}
