import type { CssNode } from 'css-tree'
import generate from 'css-tree/generator'
import parse from 'css-tree/parser'
import walk from 'css-tree/walker'
import type { Effect, Habit } from './habit'

/** Rules and declarations of a sheet that go. @returns the same text where none does, null where nothing is left */
export function withoutRules(css: string, goes: (node: CssNode) => boolean): string | null {
  const tree = parse(css, { parseValue: false, onParseError: () => undefined })
  let gone = 0
  walk(tree, (node, item, list) => {
    if (!list || !goes(node)) return
    list.remove(item)
    gone++
  })
  if (!gone) return css
  return generate(tree).trim() || null
}

/** Styles of the head are dropped, all of them. */
export function noHead(rests: string): Habit {
  const effect = { says: 'no styles of the head', rests, weight: 9 }
  return {
    ...effect,
    sheet: (_, tell) => {
      tell(effect)
      return null
    },
  }
}

/** Rules of one kind are dropped. */
function without(effect: Effect, name: string): Habit {
  return {
    ...effect,
    sheet: (css, tell) => {
      const left = withoutRules(css, (n) => n.type === 'Atrule' && n.name === name)
      if (left !== css) tell(effect)
      return left
    },
  }
}

/** Rules under a media query are dropped, whatever it asks. */
export const noMedia = (rests: string): Habit =>
  without({ says: 'keeps its wide layout on phones', rests, weight: 8, narrow: true }, 'media')

/** Web fonts are not loaded: the stack behind is shown. */
export const noWebFonts = (rests: string): Habit =>
  without({ says: 'no web fonts', rests, weight: 4 }, 'font-face')
