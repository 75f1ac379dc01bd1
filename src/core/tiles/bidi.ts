import type { ElementContent } from 'hast'
import { el, text } from '../html/element'
import { replaceFields } from '../text/fields'
import type { TileContext } from './context'

/** Letters that run from left to right, and from right to left (Unicode, property Bidi_Class L, R and AL; the scripts of the usual languages). */
const L = '\\p{Script=Latin}\\p{Script=Greek}\\p{Script=Cyrillic}'
const R = '\\p{Script=Hebrew}\\p{Script=Arabic}\\p{Script=Syriac}\\p{Script=Thaana}'

const field = /(\[\[[^[\]]{0,300}\]\])/
/** Digits with what stands between them, as a telephone number or an hour has it. */
const number = String.raw`[+(]?\d[\d\s().:/+\-]{2,40}\d`
/** From a letter, a digit or what opens them to the last letter or digit, whatever signs stand between. */
const run = (letters: string) => `[${letters}\\d+(#@][${letters}\\d \\p{P}\\p{S}]{0,400}[${letters}\\d)+%]`

const foreign = {
  rtl: new RegExp(`(${run(L)}|${number})`, 'u'),
  ltr: new RegExp(`(${run(R)})`, 'u'),
}
const other = { rtl: new RegExp(`[${L}]`, 'u'), ltr: new RegExp(`[${R}]`, 'u') }
/** A run that begins and ends with letters keeps its order by itself (UAX 9, N1), unless signs of an address or digits open or close it. */
const steady = {
  rtl: new RegExp(`^[${L}](?:[^@:/]*[${L}\\d])?$`, 'u'),
  ltr: new RegExp(`^[${R}](?:[^@:/]*[${R}])?$`, 'u'),
}

/**
 * Words in which what runs the other way stands by itself: addresses, numbers of several parts and phrases that begin or end with a digit or a sign would
 * be put in another order else (UAX 9, 4.3: `dir` isolates). Fields are left whole.
 */
export function isolated(
  words: string,
  { dir, fields }: Pick<TileContext, 'dir' | 'fields'>,
): ElementContent[] {
  if (!other[dir].test(words) && !(dir === 'rtl' && /\d/.test(words)))
    return [text(replaceFields(words, fields))]
  const back = dir === 'rtl' ? 'ltr' : 'rtl'
  return words
    .split(field)
    .filter(Boolean)
    .flatMap((part): ElementContent[] =>
      field.test(part)
        ? [text(replaceFields(part, fields))]
        : part
            .split(foreign[dir])
            .filter(Boolean)
            .map((piece) =>
              foreign[dir].test(piece) && !steady[dir].test(piece)
                ? el('span', { dir: back }, piece)
                : text(piece),
            ),
    )
}
