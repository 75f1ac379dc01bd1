import type { MessagePort } from 'node:worker_threads'
import { Problem, type ProblemLike } from '../problem'
import { computations, type Computations, type Tell } from './computations'

/** What the main thread asks of a worker. */
export interface Call {
  name: keyof Computations
  input: unknown
  /** Where it is said that the work has begun, and how far it is. */
  port: MessagePort
}

/** What a worker says while it works. */
export type Said = 'begun' | Parameters<Tell>[0]

/** Problems cross the border between threads as values. */
export type Answer = { value: unknown } | { problem: ProblemLike }

const tooDeep = new Problem(
  422,
  'too-deep',
  'This is nested too deeply',
  'Its elements stand inside each other many hundred times. Make it simpler, then try again.',
)

/** The entry of a worker thread. */
export default async function answer({ name, input, port }: Call): Promise<Answer> {
  const say = (said: Said) => port.postMessage(said)
  say('begun')
  const tell: Tell = say
  try {
    const compute = computations[name] as (input: unknown, tell: Tell) => unknown
    return { value: await compute(input, tell) }
  } catch (error) {
    if (error instanceof Problem) return { problem: error.toJSON() }
    // The stack is full: what was read is nested deeper than anything a person writes.
    if (error instanceof RangeError && /call stack/.test(error.message)) return { problem: tooDeep.toJSON() }
    throw error
  } finally {
    port.close()
  }
}
