import type { Element, ElementContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { readHex } from '../color/hex'
import { colorOf, styleOfElement } from '../html/values'
import { print } from '../html/print-foreign'
import type { TileOf } from '../email/tile'
import type { NightTones } from './tones'

interface Behind {
  day: string
  night: string
}

/** A ground that custom code says, by style or by attribute. */
const groundOfElement = (e: Element, style: Record<string, string>): string | undefined =>
  hex(style['background-color']) ?? hex(style.background) ?? hex(e.properties.bgColor as string | undefined)

const hex = (value: string | undefined): string | undefined => {
  const color = colorOf(value)
  return (color && readHex(color)) || undefined
}

const EDGE = /^border(?:-(?:top|right|bottom|left))?(?:-color)?$/

/**
 * Custom code with colours for the night: what its elements say by style becomes rules under the media query, by class. Null where it says no colour, or has
 * rules for the dark of its own.
 */
export function codeAtNight(
  tile: Pick<TileOf<'code'>, 'html' | 'css'>,
  behind: Behind,
  ink: string,
  tones: NightTones,
): Pick<TileOf<'code'>, 'html' | 'css'> | null {
  if (/prefers-color-scheme/.test(tile.css + tile.html)) return null
  const rules = new Map<string, string>()
  const visit = (node: ElementContent, at: Behind, words: string): void => {
    if (node.type !== 'element') return
    const style = styleOfElement(node)
    const ground = groundOfElement(node, style)
    const here = ground ? { day: ground, night: tones.ground(ground) } : at
    const own = hex(style.color)
    const names: string[] = []
    const ask = (name: string, declaration: string) => {
      rules.set(name, declaration)
      names.push(name)
    }
    if (ground && here.night !== ground)
      ask(`ng-${here.night.slice(1)}`, `background-color:${here.night}!important`)
    const color = own ?? (ground ? words : undefined)
    const night = color && tones.ink(color, [here.night])
    if (night && night !== color) ask(`nk-${night.slice(1)}`, `color:${night}!important`)
    for (const [name, value] of Object.entries(style)) {
      const edge = EDGE.test(name) ? hex(/#[0-9a-f]{3,6}\b/i.exec(value)?.[0]) : undefined
      const line = edge && tones.line(edge, at.day, at.night)
      if (line && line !== edge) ask(`ne-${line.slice(1)}`, `border-color:${line}!important`)
    }
    if (names.length) {
      const before = Array.isArray(node.properties.className) ? node.properties.className : []
      node.properties.className = [...new Set([...before, ...names])]
    }
    for (const child of node.children) visit(child, here, own ?? words)
  }
  const root = fromHtml(tile.html, { fragment: true })
  for (const child of root.children) visit(child as ElementContent, behind, ink)
  if (!rules.size) return null
  const dark = [...rules].map(([name, declaration]) => `.${name}{${declaration}}`).join('\n')
  const css = `${tile.css}${tile.css.trim() ? '\n' : ''}@media (prefers-color-scheme:dark){\n${dark}\n}`
  return { html: print(root), css }
}
