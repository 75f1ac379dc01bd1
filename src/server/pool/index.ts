import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { MessageChannel } from 'node:worker_threads'
import Piscina from 'piscina'
import { Problem } from '../problem'
import type { Computations, Tell } from './computations'
import type { Answer, Call, Said } from './worker'

export type { Tell } from './computations'

/** Longest that one computation may take, ms. */
const DEADLINE = 120_000

/** Most memory of a thread's own objects, MB; pixels lie outside it. */
const MEMORY = 512

/** Most memory of the whole process while it reads what came from outside, MB: above it the latest reading is ended. */
const MOST_MEMORY = 900

/** What it has to have grown by meanwhile, MB: what earlier work left is not the fault of this one. */
const GROWN = 300

/** How often the memory of the process is looked at while it computes, ms. */
const WATCH = 50

/** The thread that answers requests goes first: threads of long work are nicer than it (nice(2)). */
const NICER = 5

const held = globalThis as typeof globalThis & {
  mosaicusPools?: Partial<Record<Lane, Piscina>>
  mosaicusWatch?: Set<Running>
}

/**
 * Two lanes, so that a look at a stored email never stands behind the building of another: long work has a thread for
 * each core, short work one of its own.
 */
type Lane = 'long' | 'short'

/** What a person waits for while looking at an email, here or where it arrived. */
const short: ReadonlySet<Name> = new Set([
  'written',
  'proof',
  'pictureLooks',
  'figures',
  'namePictures',
  'countdown',
  'checkAmp',
])

/** A computation that runs. */
interface Running {
  stop: AbortController
  name: Name
  /** Memory of the process as it began, bytes. */
  from: number
}

/** Computations that run, the latest last. */
const running = (): Set<Running> => (held.mosaicusWatch ??= new Set())

/** Work on a design's pixels: what it takes is bounded by their number, which is known. */
const onPixels: ReadonlySet<Name> = new Set(['autocut', 'build', 'encodePart', 'replan'])

const rss = () => process.memoryUsage.rss()

let watching: ReturnType<typeof setInterval> | undefined

/**
 * Ends the latest computation where the process takes too much: what a thread takes outside its own objects (pixels,
 * unpacked files, WebAssembly) is counted by nobody else.
 */
function watch(): void {
  watching ??= setInterval(() => {
    const all = [...running()]
    if (!all.length) {
      clearInterval(watching)
      watching = undefined
      return
    }
    if (all.some((r) => onPixels.has(r.name))) return
    const now = rss()
    const grown = now - Math.min(...all.map((r) => r.from))
    if (now > MOST_MEMORY * 1048576 && grown > GROWN * 1048576) all.at(-1)!.stop.abort(TOO_MUCH)
  }, WATCH)
  watching.unref()
}

/** Why a computation is ended. */
const [TOO_MUCH, TOO_LONG] = ['too much memory', 'too long']

const pool = (lane: Lane): Piscina => ((held.mosaicusPools ??= {})[lane] ??= newPool(lane))

function newPool(lane: Lane): Piscina {
  const made = new Piscina({
    filename: join(/* turbopackIgnore: true */ process.cwd(), 'dist/worker.mjs'),
    minThreads: 0,
    maxThreads: lane === 'long' ? Math.max(1, availableParallelism()) : 1,
    idleTimeout: 60_000,
    niceIncrement: lane === 'long' ? NICER : 0,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  })
  // An answer that comes just as its computation is ended belongs to nobody. Unheard, it would end the whole app.
  made.on('error', (error: Error) => {
    if (!error.message.startsWith('Unexpected message from Worker')) console.error(error)
  })
  return made
}

type Name = keyof Computations

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
}
type Input<N extends Name> = Parameters<Computations[N]>[0]
type Output<N extends Name> = Awaited<ReturnType<Computations[N]>>

/**
 * Computes something on a worker thread. Throws the Problem that the computation throws, an AbortError where it was cancelled (the thread is ended
 * then), and a Problem (422) where it takes too long or too much memory.
 */
export async function compute<N extends Name>(
  name: N,
  input: Input<N>,
  {
    signal,
    tell,
    deadline = DEADLINES[name] ?? DEADLINE,
  }: { signal?: AbortSignal; tell?: Tell; deadline?: number } = {},
): Promise<Output<N>> {
  const stop = new AbortController()
  const { port1, port2 } = new MessageChannel()
  let run: Running | undefined
  let late: ReturnType<typeof setTimeout> | undefined
  port1.on('message', (said: Said) => {
    if (said !== 'begun') return tell?.(said)
    // Waiting for a thread counts for nothing.
    late = setTimeout(() => stop.abort(TOO_LONG), deadline)
    run = { stop, name, from: rss() }
    running().add(run)
    watch()
  })
  const call: Call = { name, input, port: port2 }
  try {
    const answer = (await pool(short.has(name) ? 'short' : 'long').run(call, {
      signal: signal ? AbortSignal.any([stop.signal, signal]) : stop.signal,
      transferList: [port2],
    })) as Answer
    if ('problem' in answer) throw Problem.of(answer.problem)
    return answer.value as Output<N>
  } catch (error) {
    throw endedBy(error as Error, { signal, why: stop.signal.reason, deadline })
  } finally {
    clearTimeout(late)
    if (run) running().delete(run)
    port1.close()
  }
}

/** Why a computation ended without an answer. */
function endedBy(error: Error, how: { signal?: AbortSignal; why: unknown; deadline: number }): Error {
  if (error instanceof Problem) return error
  // Closing the pool ends what runs.
  if (how.signal?.aborted || error.message === 'Terminating worker thread')
    return new DOMException('Cancelled', 'AbortError')
  if (how.why === TOO_MUCH || (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new Problem(
      422,
      'too-much',
      'This needs too much memory',
      'It was ended before it could take what other work needs. Make it smaller or simpler, then try again.',
    )
  if (how.why === TOO_LONG)
    return new Problem(
      422,
      'too-long',
      'This takes too long',
      `It was ended after ${how.deadline / 1000} seconds. Make it smaller or simpler, then try again.`,
    )
  return error
}

/** Ends all threads, for tests. */
export async function closePool(): Promise<void> {
  const open = Object.values(held.mosaicusPools ?? {})
  held.mosaicusPools = {}
  await Promise.all(open.map((p) => p.destroy()))
}
