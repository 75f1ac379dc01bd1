import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { MessageChannel } from 'node:worker_threads'
import Piscina from 'piscina'
import { Problem } from '../problem'
import type { Computations, Tell } from './computations'
import type { Answer, Call } from './worker'

export type { Tell } from './computations'

/** Longest that one computation may take, ms. */
const DEADLINE = 120_000

/** Most memory of a thread's own objects, MB; pixels lie outside it. */
const MEMORY = 1024

/** The thread that answers requests goes first: workers are nicer than it (nice(2)). */
const NICER = 5

const held = globalThis as typeof globalThis & { mosaicusPool?: Piscina }

const pool = (): Piscina =>
  (held.mosaicusPool ??= new Piscina({
    filename: join(/* turbopackIgnore: true */ process.cwd(), 'dist/worker.mjs'),
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism()),
    idleTimeout: 60_000,
    niceIncrement: NICER,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  }))

type Name = keyof Computations
type Input<N extends Name> = Parameters<Computations[N]>[0]
type Output<N extends Name> = Awaited<ReturnType<Computations[N]>>

/**
 * Computes something on a worker thread. Throws the Problem that the computation throws, an AbortError where it was cancelled (the thread is ended
 * then), and a Problem (422) where it takes too long or too much memory.
 */
export async function compute<N extends Name>(
  name: N,
  input: Input<N>,
  { signal, tell, deadline = DEADLINE }: { signal?: AbortSignal; tell?: Tell; deadline?: number } = {},
): Promise<Output<N>> {
  const late = AbortSignal.timeout(deadline)
  const channel = tell && new MessageChannel()
  channel?.port1.on('message', tell!)
  const call: Call = { name, input, ...(channel ? { port: channel.port2 } : {}) }
  try {
    const answer = (await pool().run(call, {
      signal: signal ? AbortSignal.any([signal, late]) : late,
      transferList: channel ? [channel.port2] : [],
    })) as Answer
    if ('problem' in answer) throw Problem.of(answer.problem)
    return answer.value as Output<N>
  } catch (error) {
    throw endedBy(error as Error, signal, late, deadline)
  } finally {
    channel?.port1.close()
  }
}

/** Why a computation ended without an answer. */
function endedBy(error: Error, signal: AbortSignal | undefined, late: AbortSignal, deadline: number): Error {
  if (error instanceof Problem) return error
  // Closing the pool ends what runs.
  if (signal?.aborted || error.message === 'Terminating worker thread')
    return new DOMException('Cancelled', 'AbortError')
  if (late.aborted)
    return new Problem(
      422,
      'too-long',
      'This takes too long',
      `It was ended after ${deadline / 1000} seconds. Make it smaller or simpler, then try again.`,
    )
  if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new Problem(
      422,
      'too-much',
      'This needs too much memory',
      `It was ended at ${MEMORY} MB. Make it smaller or simpler, then try again.`,
    )
  return error
}

/** Ends all threads, for tests. */
export async function closePool(): Promise<void> {
  const open = held.mosaicusPool
  held.mosaicusPool = undefined
  await open?.destroy()
}
