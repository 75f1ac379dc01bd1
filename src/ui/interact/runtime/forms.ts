import Mustache from 'mustache'
import { valueAt, whyNoList } from '@/core/interact/list'
import { parsed } from '@/core/interact/reader'
import type { Component, Runtime } from './runtime'

/** A template with values, as `amp-mustache` has it: values are escaped, and no markup comes from them. */
function filled(root: Element, values: unknown): string {
  const template = root.localName === 'template' ? root : root.querySelector('template')
  return template ? Mustache.render(template.innerHTML.replace(/\{\{\{|\}\}\}/g, ''), values) : ''
}

/** Where what a template gives is put; made when it is first needed. */
function place(root: Element): HTMLElement {
  const known = root.querySelector<HTMLElement>(':scope > [data-filled]')
  if (known) return known
  const made = root.ownerDocument.createElement('div')
  made.dataset.filled = ''
  root.append(made)
  return made
}

function fill(root: Element, values: unknown, runtime: Runtime): void {
  if (!root.querySelector('template')) return
  const into = place(root)
  into.innerHTML = filled(root, values)
  runtime.start(into)
}

/** What a reader shows where it shows no answer. @param otherwise where the email has no words for that */
function shownInstead(words: Element | null, otherwise: string): string {
  const said = words?.textContent?.replace(/\s+/g, ' ').trim()
  return said ? `A reader shows: "${said.slice(0, 120)}"` : `A reader shows ${otherwise}.`
}

/** What a form sends: its own fields, and what was chosen in its selectors. */
function fieldsOf(form: HTMLFormElement): [string, string][] {
  const view = form.ownerDocument.defaultView as unknown as { FormData: typeof FormData }
  const own = [...new view.FormData(form)].map(([k, v]): [string, string] => [k, String(v)])
  const chosen = [...form.querySelectorAll('amp-selector[name]')].flatMap((s) =>
    [...s.querySelectorAll('[option][selected]')].map((o): [string, string] => [
      s.getAttribute('name')!,
      o.getAttribute('option')!,
    ]),
  )
  return [...own, ...chosen]
}

const states = ['submitting', 'submit-success', 'submit-error'] as const

/** `amp-form`: sent in place; what it says of each state is shown while that lasts. */
export const form: Component = (el, runtime) => {
  const target = el as HTMLFormElement
  const show = (state: (typeof states)[number] | null) => {
    for (const s of states) {
      target.classList.toggle(`amp-form-${s === 'submitting' ? 'submitting' : s}`, s === state)
      target
        .querySelectorAll<HTMLElement>(`[${s}]`)
        .forEach((e) => (e.style.display = s === state ? 'block' : 'none'))
    }
  }
  show(null)
  target.noValidate = true
  const send = () => {
    if (!target.reportValidity())
      return runtime.host.say('The form is not filled in as it asks: nothing was sent.')
    const fields = fieldsOf(target)
    const values = Object.fromEntries(fields)
    show('submitting')
    const url = target.getAttribute('action-xhr') ?? ''
    void runtime.host.ask(url, 'POST', fields).then(
      ({ status, refused, body }) => {
        const good = !refused.length && status >= 200 && status < 300
        const state = good ? 'submit-success' : 'submit-error'
        show(state)
        // Of an error that it may read a form shows what was answered, too.
        const told = refused.length ? {} : parsed(body)
        const answer = typeof told === 'object' && told ? told : {}
        target.querySelectorAll(`[${state}]`).forEach((root) => fill(root, { ...values, ...answer }, runtime))
        runtime.trigger(target, state, { response: answer })
        refused.forEach((r) => runtime.host.say(r))
        if (!good) runtime.host.say(shownInstead(target.querySelector('[submit-error]'), 'nothing at all'))
      },
      (error: Error) => {
        show('submit-error')
        target.querySelectorAll('[submit-error]').forEach((root) => fill(root, values, runtime))
        runtime.host.say(error.message)
      },
    )
  }
  runtime.senders.set(target, send)
  // In a frame that may send no form, none tells of being sent: its buttons and its keys do.
  target.addEventListener('click', (e) => {
    const button = (e.target as Element).closest('button,input')
    if (
      !button ||
      !(
        (button.localName === 'button' && !button.hasAttribute('type')) ||
        button.getAttribute('type') === 'submit'
      )
    )
      return
    e.preventDefault()
    send()
  })
  target.addEventListener('keydown', (e) => {
    if (e.key !== 'Enter' || !(e.target as Element).matches('input:not([type=submit])')) return
    e.preventDefault()
    send()
  })
}

/** `amp-list`: its template for each entry of what its address answers; its fallback where it cannot. */
export const list: Component = (el, runtime) => {
  const failed = () => {
    el.querySelectorAll<HTMLElement>('[fallback]').forEach((f) => (f.style.display = 'block'))
    const empty = el.getAttribute('height')
    runtime.host.say(
      shownInstead(
        el.querySelector('[fallback]'),
        empty ? `an empty space of ${empty} px` : 'nothing at all',
      ),
    )
  }
  el.style.display = 'block'
  if (el.getAttribute('layout') === 'fixed-height') el.style.minHeight = `${el.getAttribute('height')}px`
  void runtime.host.ask(el.getAttribute('src') ?? '', 'GET', []).then(
    ({ refused, body }) => {
      refused.forEach((r) => runtime.host.say(r))
      if (refused.length) return failed()
      const path = el.getAttribute('items') ?? 'items'
      const wrong = whyNoList(body, path, el.hasAttribute('single-item'))
      if (wrong) {
        runtime.host.say(wrong)
        return failed()
      }
      const found = valueAt(JSON.parse(body), path)
      const entries: unknown[] = Array.isArray(found) ? found : [found]
      const most = Number(el.getAttribute('max-items')) || Infinity
      const into = place(el)
      into.innerHTML = entries
        .slice(0, most)
        .map((entry) => filled(el, entry))
        .join('')
      runtime.start(into)
    },
    (error: Error) => {
      runtime.host.say(error.message)
      failed()
    },
  )
}

/** `amp-state`: values that expressions begin with; what is fetched is asked for. */
export const state: Component = (el, runtime) => {
  const script = el.querySelector('script[type="application/json"]')
  if (!el.id || !script?.textContent) return
  try {
    runtime.state = { ...runtime.state, [el.id]: JSON.parse(script.textContent) as unknown }
  } catch {
    runtime.host.say(`The values of "${el.id}" are not JSON.`)
  }
}
