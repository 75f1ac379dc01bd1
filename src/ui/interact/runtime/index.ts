import { form, list, state } from './forms'
import { accordion, carousel, selector } from './panels'
import { picture, timeago } from './pictures'
import { Runtime, type Component, type Host } from './runtime'

export type { Heard, Host } from './runtime'

const components: Record<string, Component> = {
  'amp-state': state,
  'amp-img': picture,
  'amp-anim': picture,
  'amp-timeago': timeago,
  'amp-accordion': accordion,
  'amp-selector': selector,
  'amp-carousel': carousel,
  'amp-list': list,
  form,
  // Of these the words are shown, without what they do.
  'amp-fit-text': () => undefined,
  'amp-bind-macro': () => undefined,
}

/** What is hidden until the runtime shows it (AMP for Email, "amp-form" and "amp-list"). */
const SHEET =
  '[submitting],[submit-success],[submit-error],[fallback],[placeholder],template,amp-state{display:none}body{visibility:visible!important}'

/** Lets a frame answer as a reader would that shows AMP. The frame runs no script of its own. */
export function run(doc: Document, host: Host): Runtime {
  const style = doc.createElement('style')
  style.textContent = SHEET
  doc.head.append(style)
  const runtime = new Runtime(doc, host, components)
  runtime.start(doc.body)
  return runtime
}
