import type { Component } from './runtime'

/** A press, by pointer or by the keys that press buttons. */
function pressed(el: HTMLElement, run: () => void): void {
  el.tabIndex = 0
  el.addEventListener('click', run)
  el.addEventListener('keydown', (e) => {
    if (e.key !== 'Enter' && e.key !== ' ') return
    e.preventDefault()
    run()
  })
}

/** `amp-accordion`: a press on the first child of a section shows or hides its second. */
export const accordion: Component = (el) => {
  const sections = [...el.children].filter((s): s is HTMLElement => s.localName === 'section')
  const show = (section: HTMLElement, open: boolean) => {
    section.toggleAttribute('expanded', open)
    const [head, content] = [...section.children] as HTMLElement[]
    head?.setAttribute('aria-expanded', String(open))
    if (content) content.hidden = !open
  }
  for (const section of sections) {
    const head = section.firstElementChild as HTMLElement | null
    if (!head) continue
    head.setAttribute('role', 'button')
    show(section, section.hasAttribute('expanded'))
    pressed(head, () => {
      const open = !section.hasAttribute('expanded')
      if (open && el.hasAttribute('expand-single-section')) sections.forEach((s) => show(s, false))
      show(section, open)
    })
  }
}

/** `amp-selector`: one option is chosen at a time, or several with `multiple`; `select` says which. */
export const selector: Component = (el, runtime) => {
  const options = () => [...el.querySelectorAll<HTMLElement>('[option]')]
  const several = el.hasAttribute('multiple')
  const choose = (option: HTMLElement) => {
    if (option.hasAttribute('disabled')) return
    const on = several ? !option.hasAttribute('selected') : true
    if (!several) options().forEach((o) => o.removeAttribute('selected'))
    option.toggleAttribute('selected', on)
    options().forEach((o) => o.setAttribute('aria-selected', String(o.hasAttribute('selected'))))
    runtime.trigger(el, 'select', {
      targetOption: option.getAttribute('option'),
      selectedOptions: options()
        .filter((o) => o.hasAttribute('selected'))
        .map((o) => o.getAttribute('option')),
    })
  }
  if (!el.hasAttribute('role')) el.setAttribute('role', 'listbox')
  options().forEach((option, i, all) => {
    pressed(option, () => choose(option))
    option.addEventListener('keydown', (e) => {
      const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key]
      if (by === undefined) return
      e.preventDefault()
      all[(i + by + all.length) % all.length]!.focus()
    })
  })
}

/** `amp-carousel` of type `slides`: one is seen at a time, in the room its size gives it. */
export const carousel: Component = (el) => {
  const doc = el.ownerDocument
  const slides = [...el.children] as HTMLElement[]
  let at = 0
  const show = (to: number) => {
    at = (to + slides.length) % slides.length
    slides.forEach((s, i) => (s.hidden = i !== at))
    count.textContent = ` ${at + 1} / ${slides.length} `
  }
  const bar = doc.createElement('div')
  const count = doc.createElement('span')
  const button = (label: string, sign: string, by: number) => {
    const b = doc.createElement('button')
    b.type = 'button'
    b.ariaLabel = label
    b.textContent = sign
    b.style.cssText = 'min-width:44px;min-height:44px;font-size:20px'
    b.addEventListener('click', () => show(at + by))
    return b
  }
  bar.append(button('Previous', '\u2039', -1), count, button('Next', '\u203a', 1))
  el.style.display = 'block'
  el.append(bar)
  show(0)
}
