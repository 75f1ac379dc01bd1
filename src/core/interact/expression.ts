import object from '@jsep-plugin/object'
import jsep, { type Expression } from 'jsep'

jsep.plugins.register(object)

/** The values that an expression sees, by name. */
export type Scope = Record<string, unknown>

/** Most parts of an expression (amp-bind, "Expressions": at most 250 operands). */
const MOST = 250

/** What may be asked of texts and lists (amp-bind, "Allow-listed functions"), as far as it is known here. */
const functions: Record<string, (of: unknown, args: unknown[]) => unknown> = {
  length: (of) => (of as { length?: number }).length,
  includes: (of, [x]) => (Array.isArray(of) ? of.includes(x) : String(of).includes(String(x))),
  indexOf: (of, [x]) => (Array.isArray(of) ? of.indexOf(x) : String(of).indexOf(String(x))),
  concat: (of, args) => (Array.isArray(of) ? of.concat(...args) : String(of).concat(...args.map(String))),
  toLowerCase: (of) => String(of).toLowerCase(),
  toUpperCase: (of) => String(of).toUpperCase(),
  trim: (of) => String(of).trim(),
}

const binary: Record<string, (a: unknown, b: unknown) => unknown> = {
  '+': (a, b) => (a as number) + (b as number),
  '-': (a, b) => (a as number) - (b as number),
  '*': (a, b) => (a as number) * (b as number),
  '/': (a, b) => (a as number) / (b as number),
  '%': (a, b) => (a as number) % (b as number),
  '==': (a, b) => a == b,
  '!=': (a, b) => a != b,
  '<': (a, b) => (a as number) < (b as number),
  '<=': (a, b) => (a as number) <= (b as number),
  '>': (a, b) => (a as number) > (b as number),
  '>=': (a, b) => (a as number) >= (b as number),
}

/** Own values alone: what a prototype has is nobody's business. */
const valueOf = (of: unknown, key: unknown): unknown =>
  of !== null && (typeof of === 'object' || typeof of === 'string') && Object.hasOwn(Object(of), String(key))
    ? (of as Record<string, unknown>)[String(key)]
    : undefined

/** Evaluates the tree of an expression. @throws where it holds what amp-bind does not know */
class Evaluation {
  private steps = 0
  constructor(private readonly scope: Scope) {}

  of(e: Expression): unknown {
    if (++this.steps > MOST) throw new Error(`An expression has more than ${MOST} parts`)
    const x = e as unknown as Record<string, Expression> & { operator: string; name: string }
    switch (e.type) {
      case 'Literal':
        return e.value
      case 'Identifier':
        // What nobody has set is null (amp-bind, "Null values").
        return valueOf(this.scope, x.name) ?? null
      case 'MemberExpression':
        return this.member(x)
      case 'UnaryExpression': {
        const value = this.of(x.argument!)
        return x.operator === '!' ? !value : x.operator === '-' ? -(value as number) : Number(value)
      }
      case 'BinaryExpression':
        return this.binary(x)
      case 'ConditionalExpression':
        return this.of(this.of(x.test!) ? x.consequent! : x.alternate!)
      case 'CallExpression':
        return this.call(x)
      case 'ArrayExpression':
        return (e.elements as Expression[]).map((v) => this.of(v))
      case 'ObjectExpression':
        return Object.fromEntries(
          (e.properties as { key: Expression; value?: Expression }[]).map(({ key, value }) => [
            String(key.name ?? key.value),
            this.of(value ?? key),
          ]),
        )
      default:
        throw new Error(`Expressions know no ${e.type}`)
    }
  }

  private member(x: Record<string, Expression>): unknown {
    const of = this.of(x.object!)
    const property = x.property!
    const key = x.computed ? this.of(property) : (property as Expression & { name: string }).name
    return key === 'length' && of !== null && of !== undefined ? functions.length!(of, []) : valueOf(of, key)
  }

  private binary(x: Record<string, Expression> & { operator: string }): unknown {
    const left = this.of(x.left!)
    if (x.operator === '&&') return left && this.of(x.right!)
    if (x.operator === '||') return left || this.of(x.right!)
    const run = Object.hasOwn(binary, x.operator) ? binary[x.operator] : undefined
    if (!run) throw new Error(`Expressions know no "${x.operator}"`)
    return run(left, this.of(x.right!))
  }

  private call(x: Record<string, Expression>): unknown {
    const callee = x.callee as unknown as { type: string; object: Expression; property: { name: string } }
    const name = callee.type === 'MemberExpression' ? callee.property.name : ''
    const run = Object.hasOwn(functions, name) ? functions[name] : undefined
    if (!run) throw new Error('Expressions know no such function')
    return run(
      this.of(callee.object),
      (x.arguments as unknown as Expression[]).map((a) => this.of(a)),
    )
  }
}

/**
 * What an expression of amp-bind comes to (amp-bind, "Expressions"). @throws where it cannot be read, or holds what is not allowed
 */
export const evaluate = (expression: string, scope: Scope): unknown =>
  new Evaluation(scope).of(jsep(expression))

/** Why an expression cannot be read; null where it can. */
export function parsed(expression: string): string | null {
  if (!expression.trim()) return 'it is empty.'
  try {
    jsep(expression)
    return null
  } catch (error) {
    return `${(error as Error).message.replace(/ at character (\d+)$/, ' at character $1.')}`
  }
}

/** One thing that is done when something happens: `target.method(arguments)`. */
export interface Action {
  event: string
  target: string
  method: string
  /** As written between the parentheses. */
  args: string
}

/** The actions of an `on` attribute (AMP, "Actions and events"): `event:target.method(args),...;event:...`. */
export function actionsOf(on: string): Action[] {
  return splitAt(on, ';').flatMap((part) => {
    const colon = part.indexOf(':')
    if (colon < 0) return []
    const event = part.slice(0, colon).trim()
    return splitAt(part.slice(colon + 1), ',').map((one) => {
      const open = one.indexOf('(')
      const name = (open < 0 ? one : one.slice(0, open)).trim()
      const dot = name.indexOf('.')
      return {
        event,
        target: dot < 0 ? name : name.slice(0, dot),
        method: dot < 0 ? 'activate' : name.slice(dot + 1),
        args: open < 0 ? '' : one.slice(open + 1, one.lastIndexOf(')')),
      }
    })
  })
}

/** Parts of a text between a sign, where it stands in no quotes or parentheses. */
function splitAt(text: string, sign: string): string[] {
  const parts: string[] = []
  let [depth, from] = [0, 0]
  let quote = ''
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!
    if (quote) {
      if (c === quote) quote = ''
    } else if (c === "'" || c === '"') quote = c
    else if ('([{'.includes(c)) depth++
    else if (')]}'.includes(c)) depth--
    else if (c === sign && depth === 0) {
      parts.push(text.slice(from, i))
      from = i + 1
    }
  }
  return [...parts, text.slice(from)].map((p) => p.trim()).filter(Boolean)
}

/** A state with another laid over it, as `AMP.setState` merges them (amp-bind, "Updating state with AMP.setState()"). */
export function merged(state: Scope, over: Scope): Scope {
  const out: Scope = { ...state }
  for (const [key, value] of Object.entries(over)) {
    const before = out[key]
    const both = isPlain(before) && isPlain(value)
    out[key] = both ? merged(before, value) : value
  }
  return out
}

const isPlain = (v: unknown): v is Scope => typeof v === 'object' && v !== null && !Array.isArray(v)
