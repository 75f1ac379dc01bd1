import type { ElementContent } from 'hast'
import { bandTrees, type CompileOptions } from '../compile'
import { StylesToHead } from '../compile/passes/to-head'
import { conditionsAsWritten } from '../email/conditions'
import { styleOf } from '../email/cascade'
import type { Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import { css, el, text } from '../html/element'
import { printMapped, type PrintOptions } from '../html/print'
import { tagsOf } from '../html/tags'
import type { PictureRef } from '../picture/ref'
import { placesOf } from '../email/walk'
import { picturesOf } from '../tiles/contents'
import { sheetLines, type Rule } from '../tiles/rules'
import { asWritten, replaceFields } from '../text/fields'
import { trackedEmail } from '../tiles/tracking'
import { componentsIn, runtimeScript, scriptOf } from './components'
import { ampOf, isInteractive } from './kinds'
import { sheetOf } from './text'
import { toAmp, type AmpPass } from './to-amp'

/** Most bytes of an AMP email's styles (AMP for Email, "CSS requirements"). */
export const MOST_STYLES = 75_000
/** Most bytes of an AMP part (AMP for Email, "Required markup": 200 KB). */
export const MOST_AMP = 200_000

/** How an email comes to its AMP part: none, unless somebody says so or a tile answers inside the message. */
export const ampWay = (email: Email): 'none' | 'made' | 'hand' =>
  email.amp?.way ??
  (email.way === 'bands' && [...placesOf(email)].some(({ tile }) => isInteractive(tile)) ? 'made' : 'none')

/** The AMP part of an email. */
export interface AmpPart {
  html: string
  /** bytes */
  styles: number
  /** Components it uses, by name. */
  components: string[]
  /** What could not be said in AMP, a sentence each. */
  left: string[]
}

export interface AmpOptions extends Pick<CompileOptions, 'fields' | 'conditions' | 'shown'> {
  /** Where each picture stands: an https address, for what leaves. */
  src: CompileOptions['src']
  /** Keeps marks of bands, cells and tiles, for lenses. */
  marks?: boolean
  /** Without indentation, as it leaves. */
  compact?: boolean
}

/**
 * An email as AMP for Email: generated from the same trees as the HTML, with the AMP form of interactive tiles. Styles stand in the head,
 * so that rules for narrow prevail by their order, since AMP allows no `!important`. What readers show at night cannot be said in it.
 */
export function compileAmp(written: Email, house: HouseStyle, options: AmpOptions): AmpPart {
  const email = trackedEmail(written)
  if (email.amp?.way === 'hand')
    return writtenPart(replaceFields(email.amp.html, options.fields ?? asWritten))
  const known = new Map<string, PictureRef>()
  for (const { picture } of picturesOf(email)) known.set(options.src(picture), picture)
  const pass: AmpPass = { picture: (src) => known.get(src), left: new Set() }
  const conditions = options.conditions ?? conditionsAsWritten
  const rules = new Map<string, Rule>()
  const bodies = bandTrees(email, house, { ...options, emit: ampOf }).flatMap(
    ({ band, tree }): ElementContent[] => {
      const shown = band.when ? conditions(band.when) : true
      if (shown === false) return []
      for (const [key, rule] of tree.rules) rules.set(key, rule)
      const nodes = toAmp(tree.tree, pass)
      return shown === true ? nodes : [text(shown.before), ...nodes, text(shown.after)]
    },
  )
  const style = styleOf(house, email.styles)
  const sheet = new StylesToHead()
  const body = sheet.apply([
    el('body', { style: css({ margin: '0', padding: '0', 'background-color': style.ground }) }, [
      el(
        'div',
        { lang: email.lang, dir: email.dir, style: css({ 'background-color': style.ground }) },
        bodies,
      ),
    ]),
  ])
  const lines = [...sheet.lines(), ...ampLines(rules)]
  const print = { indent: options.compact ? 0 : 2, marks: options.marks ?? false }
  return document(email, body, lines, print, pass.left)
}

/** A document that a person wrote, as it is. */
const writtenPart = (html: string): AmpPart => ({
  html,
  styles: bytesOf(sheetOf(html)),
  components: tagsOf(html).flatMap((t) =>
    t.attributes.filter((a) => /^custom-(?:element|template)$/.test(a.name)).map((a) => a.value),
  ),
  left: [],
})

const bytesOf = (s: string): number => new TextEncoder().encode(s).length

/** Rules as AMP takes them: neither `!important` nor the night, nor fonts of the web. */
export function ampLines(rules: ReadonlyMap<string, Rule>): string[] {
  const own = new Map(
    [...rules].filter(
      ([, r]) =>
        r.scope !== 'night' &&
        !(r.scope === 'verbatim' && !/^@(?:-webkit-)?keyframes/.test(r.declarations)) &&
        !/prefers-color-scheme|prefers-reduced|-webkit-/.test(`${r.media ?? ''}${r.selector ?? ''}`),
    ),
  )
  return [
    ...sheetLines(own).map((line) => line.replace(/!important/g, '')),
    // What was asked goes once the answer has arrived (amp-form sets this class).
    '.amp-form-submit-success .ix-ask{display:none}',
  ]
}

function document(
  email: Email,
  body: ElementContent[],
  lines: string[],
  print: PrintOptions,
  left: ReadonlySet<string>,
): AmpPart {
  const names = componentsIn(body)
  const styles = lines.join('\n')
  const root = el('html', { amp4email: '', 'data-css-strict': '', lang: email.lang, dir: email.dir }, [
    el('head', null, [
      el('meta', { charSet: 'utf-8' }),
      runtimeScript(),
      ...names.map(scriptOf),
      el('style', { 'amp4email-boilerplate': '' }, text('body{visibility:hidden}')),
      el('style', { 'amp-custom': '' }, text(`\n${styles.replace(/<(?=[/!])/g, '\\3c ')}\n`)),
    ]),
    ...body,
  ])
  return {
    html: `<!doctype html>\n${printMapped([root], 0, print).html}\n`,
    styles: bytesOf(styles),
    components: names,
    left: [...left],
  }
}
