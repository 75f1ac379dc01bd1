import { actionsOf, evaluate, merged, type Scope } from '@/core/interact/expression'

/** What a reader hears when it asks. */
export interface Heard {
  status: number
  refused: readonly string[]
  body: string
}

/** What the runtime asks of the page around it. */
export interface Host {
  ask: (url: string, method: 'GET' | 'POST', fields: [string, string][]) => Promise<Heard>
  /** Says what happened, or what it cannot show. */
  say: (what: string) => void
}

/** What stands behind a component's name. */
export type Component = (el: HTMLElement, runtime: Runtime) => void

/**
 * A small stand-in of the runtime of AMP for Email, for the lens: it works on a frame in which no script runs, and says what it cannot show. As the
 * documentation of each component has it; what it keeps of them is named beside each file.
 */
export class Runtime {
  state: Scope = {}
  /** What sends a form. */
  readonly senders = new WeakMap<Element, () => void>()
  private readonly asked = new Set<string>()

  constructor(
    readonly doc: Document,
    readonly host: Host,
    private readonly components: Readonly<Record<string, Component>>,
  ) {}

  /** Makes all components beneath an element work. */
  start(root: ParentNode): void {
    for (const el of [...root.querySelectorAll<HTMLElement>('*')]) {
      const name = el.localName
      const component = this.components[name]
      if (component) component(el, this)
      else if (name.startsWith('amp-') && !this.asked.has(name)) {
        this.asked.add(name)
        this.host.say(`${name} is not shown here: look at it in a real reader.`)
      }
      this.listen(el)
    }
  }

  /** Presses do what an element says of `tap` (AMP, "Actions and events"). */
  private listen(el: HTMLElement): void {
    if (!el.getAttribute('on')?.includes('tap:')) return
    const tap = () => this.trigger(el, 'tap', {})
    el.addEventListener('click', tap)
    el.addEventListener('keydown', (e) => {
      if (el.localName !== 'button' && (e.key === 'Enter' || e.key === ' ')) {
        e.preventDefault()
        tap()
      }
    })
  }

  /** Does what an element says is to be done on an event. */
  trigger(el: Element, event: string, data: Scope): void {
    for (const action of actionsOf(el.getAttribute('on') ?? '').filter((a) => a.event === event))
      try {
        this.run(action, data)
      } catch (error) {
        this.host.say((error as Error).message)
      }
  }

  private run({ target, method, args }: ReturnType<typeof actionsOf>[number], event: Scope): void {
    if (target === 'AMP') {
      if (method !== 'setState' && method !== 'pushState')
        return this.host.say(`AMP.${method} is not known here.`)
      this.set(evaluate(args, { ...this.state, event }) as Scope)
      return
    }
    const el = this.doc.getElementById(target)
    if (!el) return this.host.say(`Nothing here is called "${target}".`)
    if (method === 'show') el.hidden = false
    else if (method === 'hide') el.hidden = true
    else if (method === 'toggleVisibility') el.hidden = !el.hidden
    else if (method === 'submit') this.senders.get(el)?.()
    else if (method === 'clear') (el as HTMLFormElement).reset()
    else this.host.say(`${target}.${method} is not known here.`)
  }

  /** Lays a state over the present one, and lets all that hangs on it follow (amp-bind). */
  set(over: Scope): void {
    this.state = merged(this.state, over)
    this.bind(this.doc.body)
  }

  private bind(root: ParentNode): void {
    for (const el of root.querySelectorAll<HTMLElement>('*'))
      for (const { name, value } of [...el.attributes]) {
        if (!name.startsWith('[')) continue
        try {
          put(el, name.slice(1, -1), evaluate(value, this.state))
        } catch (error) {
          this.host.say(`${name}: ${(error as Error).message}`)
        }
      }
  }
}

/** A bound attribute gets its value (amp-bind, "Bindings"). */
function put(el: HTMLElement, name: string, value: unknown): void {
  if (name === 'text') el.textContent = value === null || value === undefined ? '' : String(value)
  else if (name === 'class') el.className = Array.isArray(value) ? value.join(' ') : String(value ?? '')
  else if (value === false || value === null || value === undefined) el.removeAttribute(name)
  else el.setAttribute(name, value === true ? '' : String(value))
}
