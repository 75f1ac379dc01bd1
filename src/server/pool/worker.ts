import { missingPath } from '../missing-path'
import { Problem, type ProblemLike } from '../problem'
import { computations, type Computations } from './computations'
import type { Tell } from './progress'

export type { Tell } from './progress'

/** What is asked of a process. */
export interface Call {
  name: keyof Computations
  input: unknown
}

/** What it says: that it has begun, how far it is, and what it comes to. */
export type Said =
  | 'begun'
  | Parameters<Tell>[0]
  /** @param spent CPU that the process has used so far, s */
  | { answer: Answer; spent: number }

/** Problems cross the border between processes as values. */
export type Answer =
  | { value: unknown }
  | { problem: ProblemLike }
  /** A file that was not there. */
  | { missing: string }
  | { error: string }

const tooDeep = new Problem(
  422,
  'too-deep',
  'This is nested too deeply',
  'Its elements stand inside each other many hundred times. Make it simpler, then try again.',
)

const tooMuch = new Problem(
  422,
  'too-much',
  'This needs too much memory',
  'It was ended before it could take what other work needs. Make it smaller or simpler, then try again.',
)

/** What the system or an engine says where there is no more memory. */
const NO_MEMORY =
  /out of memory|memory access out of bounds|bad_alloc|Array buffer allocation failed|could not allocate|native code called abort/i

async function answer({ name, input }: Call, tell: Tell): Promise<Answer> {
  try {
    const compute = computations[name] as (input: unknown, tell: Tell) => unknown
    return { value: await compute(input, tell) }
  } catch (error) {
    if (error instanceof Problem) return { problem: error.toJSON() }
    // The stack is full: what was read is nested deeper than anything a person writes.
    if (error instanceof RangeError && /call stack/.test(error.message)) return { problem: tooDeep.toJSON() }
    const missing = missingPath(error)
    if (missing) return { missing }
    const said = error instanceof Error ? (error.stack ?? error.message) : String(error)
    if (NO_MEMORY.test(said)) return { problem: tooMuch.toJSON() }
    return { error: said }
  }
}

const say = (said: Said) => process.send!(said)
const spent = (): number => {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1e6
}

process.on('message', (call: Call) => {
  say('begun')
  void answer(call, say).then((a) => say({ answer: a, spent: spent() }))
})
// Nobody is left to work for.
process.on('disconnect', () => process.exit())
