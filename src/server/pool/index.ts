import { availableParallelism } from 'node:os'
import { Problem } from '../problem'
import type { Computations } from './computations'
import { EndedError, Lane, type Ended } from './lane'
import type { Tell } from './progress'

export type { Tell } from './progress'

type Name = keyof Computations
type Input<N extends Name> = Parameters<Computations[N]>[0]
type Output<N extends Name> = Awaited<ReturnType<Computations[N]>>

/** Longest that one computation may work, ms. */
const DEADLINE = 120_000

/** What reads files from outside has less time than what works on a design, ms. */
const DEADLINES: Partial<Record<Name, number>> = {
  openDesign: 40_000,
  readDesign: 60_000,
  checkPicture: 20_000,
  importFile: 20_000,
  importHtml: 20_000,
  deckOfFile: 10_000,
  deckOfText: 10_000,
  pageOf: 20_000,
  pageOfFile: 20_000,
  linkedSheets: 10_000,
  fontFaces: 10_000,
  fontTerms: 10_000,
  countdown: 10_000,
}

const MB = 1048576
/** Most memory of a process while it reads what came from outside, bytes. */
const OUTSIDE = 900 * MB
/** The same for work on a design's pixels, whose number is known: 60 megapixels as RGBA, their masks and copies. */
const PIXELS = 2500 * MB
const onPixels: ReadonlySet<Name> = new Set([
  'autocut',
  'build',
  'encodePart',
  'replan',
  'openDesign',
  'readDesign',
])
const memoryFor = (name: Name): number => (onPixels.has(name) ? PIXELS : OUTSIDE)

/**
 * Three lanes, so that a look at a stored email stands neither behind the building of another nor behind countdowns that all the world opens: long
 * work has a process for each core, the others one each.
 */
type LaneName = 'long' | 'short' | 'open'

/** What a person waits for while looking at an email, here or where it arrived. */
const short: ReadonlySet<Name> = new Set([
  'written',
  'proof',
  'pictureLooks',
  'figures',
  'namePictures',
  'checkAmp',
])

const laneOf = (name: Name): LaneName => (name === 'countdown' ? 'open' : short.has(name) ? 'short' : 'long')

/** Next loads route modules apart from each other; the lanes live on the process. */
const held = globalThis as typeof globalThis & { mosaicusLanes?: Partial<Record<LaneName, Lane>> }

const options: Record<LaneName, ConstructorParameters<typeof Lane>[0]> = {
  long: { most: Math.max(1, availableParallelism()), queue: 500, nicer: 5 },
  short: { most: 1, queue: 2000 },
  open: { most: 1, queue: 40, nicer: 5 },
}

export const lane = (name: LaneName): Lane => ((held.mosaicusLanes ??= {})[name] ??= new Lane(options[name]))

/**
 * Computes something in a process of its own. Throws the Problem that the computation throws, an AbortError where it was cancelled (the process is
 * ended then), a Problem (422) where it takes too long or too much memory, and one (503) where too much waits already.
 */
export async function compute<N extends Name>(
  name: N,
  input: Input<N>,
  {
    signal,
    tell,
    deadline = DEADLINES[name] ?? DEADLINE,
    memory = memoryFor(name),
  }: { signal?: AbortSignal; tell?: Tell; deadline?: number; memory?: number } = {},
): Promise<Output<N>> {
  let answer
  try {
    answer = await lane(laneOf(name)).run(
      { name, input },
      { deadline, memory },
      { ...(signal ? { signal } : {}), ...(tell ? { tell } : {}) },
    )
  } catch (error) {
    if (error instanceof EndedError) throw endedBy(error.why, deadline)
    throw error
  }
  if ('problem' in answer) throw Problem.of(answer.problem)
  if ('missing' in answer)
    throw Object.assign(new Error(`${answer.missing} is not there`), { code: 'ENOENT', path: answer.missing })
  if ('error' in answer) throw new Error(`${name}: ${answer.error}`)
  return answer.value as Output<N>
}

/** Why a computation ended without an answer, as whoever asked hears it. */
function endedBy(why: Ended, deadline: number): Error {
  if (why === 'cancelled') return new DOMException('Cancelled', 'AbortError')
  if (why === 'too long')
    return new Problem(
      422,
      'too-long',
      'This takes too long',
      `It was ended after ${deadline / 1000} seconds. Make it smaller or simpler, then try again.`,
    )
  if (why === 'busy')
    return new Problem(
      503,
      'busy',
      'Too much is asked for at once',
      'What waits already will take a while. Try again in a few seconds.',
      { retryAfter: 5 },
    )
  if (why === 'broken')
    return new Problem(
      422,
      'broken-off',
      'This could not be computed',
      'Its process ended before it was done. Try again; where it happens again, what was sent is not as programs write it.',
    )
  return new Problem(
    422,
    'too-much',
    'This needs too much memory',
    'It was ended before it could take what other work needs. Make it smaller or simpler, then try again.',
  )
}

/** Ends all processes, for tests. */
export async function closePool(): Promise<void> {
  const open = Object.values(held.mosaicusLanes ?? {})
  held.mosaicusLanes = {}
  await Promise.all(open.map((l) => l.close()))
}
