import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { constants, setPriority } from 'node:os'
import { join } from 'node:path'
import type { Answer, Call, Said, Tell } from './worker'

/** What a lane of processes is given. */
export interface LaneOptions {
  /** How many work at once. */
  most: number
  /** Most that waits; above it a call is refused. */
  queue: number
  /** nice(2) of its processes: what answers requests goes first. */
  nicer?: number
  /** The bundle that they run. */
  script?: string
}

export interface Limits {
  /** Longest that it may work, ms of its own time: neither waiting in the queue nor waiting for the machine counts. */
  deadline: number
  /** Most memory of its process, bytes. */
  memory: number
}

/** Why a call ended without an answer. */
export type Ended = 'cancelled' | 'too long' | 'too much memory' | 'busy' | 'broken'
export class EndedError extends Error {
  constructor(readonly why: Ended) {
    super(why)
  }
}

/** Most memory of a process's own objects, MB; pixels lie outside it. */
const OBJECTS = 512
/** What the system itself allows a process, above any limit that is watched here: memory it writes to, KB, and time of its CPU, s. */
const [SYSTEM_MEMORY, SYSTEM_TIME] = [3 * 1024 * 1024, 900]
/** A process that has used so much CPU makes room for another, s. */
const TIRED = 300
/** An idle process is kept for so long, ms. */
const IDLE = 60_000
/** How often the memory of a process is looked at while it works, ms. */
const WATCH = 50

interface Job {
  call: Call
  limits: Limits
  tell: Tell | undefined
  settle: (answer: Answer) => void
  fail: (error: Error) => void
  /** Takes its listener off the signal. */
  leave: () => void
}

interface Worker {
  child: ChildProcess
  job: Job | null
  /** Why it was ended, where it was. */
  why: Ended | null
  timers: NodeJS.Timeout[]
}

/** Memory that a process holds, bytes; 0 where the system does not tell (proc(5): statm, in pages). */
function memoryOf(pid: number): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, 'latin1').split(' ')[1]) * 4096
  } catch {
    return 0
  }
}

/** CPU that a process has used, ms; null where the system does not tell (proc(5): stat, fields 14 and 15, in hundredths of a second). */
function timeOf(pid: number): number | null {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'latin1').split(') ')[1]!.split(' ')
    return (Number(fields[11]) + Number(fields[12])) * 10
  } catch {
    return null
  }
}

/** On a busy machine work takes so many times its own time by the clock, at most. */
const BUSY = 6

/**
 * Processes that compute, and what waits for them. A process is ended, with all that native code does in it, by a kill: ending a thread leaves
 * libvips and pdfium at work. Whatever ends one, what waits goes on.
 */
export class Lane {
  private readonly waiting: Job[] = []
  private readonly workers = new Set<Worker>()
  private closed = false

  constructor(private readonly options: LaneOptions) {}

  /** How many wait. */
  get queued(): number {
    return this.waiting.length
  }

  /** How many processes there are. */
  get size(): number {
    return this.workers.size
  }

  /** Computes in a process. Throws an EndedError where it ended without an answer. */
  run(
    call: Call,
    limits: Limits,
    { signal, tell }: { signal?: AbortSignal; tell?: Tell } = {},
  ): Promise<Answer> {
    if (signal?.aborted || this.closed) return Promise.reject(new EndedError('cancelled'))
    if (this.waiting.length >= this.options.queue) return Promise.reject(new EndedError('busy'))
    return new Promise((settle, fail) => {
      const job: Job = {
        call,
        limits,
        tell,
        settle,
        fail,
        leave: () => signal?.removeEventListener('abort', abort),
      }
      const abort = () => this.cancel(job)
      signal?.addEventListener('abort', abort)
      this.waiting.push(job)
      this.pump()
    })
  }

  /** Ends all processes; what waits is cancelled. */
  async close(): Promise<void> {
    this.closed = true
    for (const job of this.waiting.splice(0)) this.lose(job, 'cancelled')
    await Promise.all(
      [...this.workers].map((w) => {
        const gone = new Promise((done) => w.child.once('exit', done))
        this.end(w, 'cancelled')
        return gone
      }),
    )
  }

  private cancel(job: Job): void {
    const at = this.waiting.indexOf(job)
    if (at >= 0) {
      this.waiting.splice(at, 1)
      this.lose(job, 'cancelled')
    } else for (const w of this.workers) if (w.job === job) this.end(w, 'cancelled')
  }

  private lose(job: Job, why: Ended): void {
    job.leave()
    job.fail(new EndedError(why))
  }

  /** Gives what waits to whoever is free. */
  private pump(): void {
    while (this.waiting.length && !this.closed) {
      const idle = [...this.workers].find((w) => !w.job && !w.why)
      // One that was ended counts until it is gone: its memory is not free before.
      if (!idle && this.workers.size >= this.options.most) return
      this.begin(idle ?? this.start(), this.waiting.shift()!)
    }
  }

  private start(): Worker {
    const { script = join(/* turbopackIgnore: true */ process.cwd(), 'dist/worker/worker.mjs'), nicer = 0 } =
      this.options
    const limits = `ulimit -d ${SYSTEM_MEMORY} 2>/dev/null; ulimit -t ${SYSTEM_TIME} 2>/dev/null; ulimit -c 0 2>/dev/null; exec "$0" "$@"`
    const node = [process.execPath, `--max-old-space-size=${OBJECTS}`, '--no-warnings', script]
    const child = spawn('/bin/sh', ['-c', limits, ...node], {
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      serialization: 'advanced',
    })
    const worker: Worker = { child, job: null, why: null, timers: [] }
    this.workers.add(worker)
    if (child.pid && nicer) setPriority(child.pid, Math.min(nicer, constants.priority.PRIORITY_LOW))
    child.on('message', (said) => this.hear(worker, said as Said))
    child.once('exit', (code, signal) => this.gone(worker, code, signal))
    child.once('error', () => this.gone(worker, null, null))
    return worker
  }

  private begin(worker: Worker, job: Job): void {
    worker.job = job
    worker.timers.forEach(clearTimeout)
    worker.timers = []
    worker.child.ref()
    worker.child.channel?.ref()
    worker.child.send(job.call, (error) => {
      // What cannot be sent: the process is gone, or the call holds what no process can be told.
      if (error && worker.job === job) this.end(worker, 'broken')
    })
  }

  private hear(worker: Worker, said: Said): void {
    const { job } = worker
    if (!job) return
    if (said === 'begun') {
      const { deadline, memory } = job.limits
      const pid = worker.child.pid!
      const from = timeOf(pid)
      worker.timers = [
        setTimeout(() => this.end(worker, 'too long'), from === null ? deadline : BUSY * deadline),
        setInterval(() => {
          if (memoryOf(pid) > memory) this.end(worker, 'too much memory')
          else if (from !== null && (timeOf(pid) ?? from) - from > deadline) this.end(worker, 'too long')
        }, WATCH),
      ]
    } else if ('answer' in said) {
      if (worker.why) return
      this.rest(worker, said.spent)
      job.leave()
      job.settle(said.answer)
      this.pump()
    } else job.tell?.(said)
  }

  /** What has answered is kept a while for what comes next. */
  private rest(worker: Worker, spent: number): void {
    worker.timers.forEach(clearTimeout)
    worker.job = null
    if (spent > TIRED) return this.end(worker, 'cancelled')
    const leave = setTimeout(() => this.end(worker, 'cancelled'), IDLE)
    leave.unref()
    worker.timers = [leave]
    worker.child.unref()
    worker.child.channel?.unref()
  }

  private end(worker: Worker, why: Ended): void {
    worker.why ??= why
    worker.timers.forEach(clearTimeout)
    if (!worker.child.kill('SIGKILL') && worker.child.exitCode === null) this.gone(worker, null, null)
    // Whoever asked need not wait until it is gone.
    const { job } = worker
    worker.job = null
    if (job) this.lose(job, worker.why)
  }

  private gone(worker: Worker, code: number | null, signal: NodeJS.Signals | null): void {
    if (!this.workers.delete(worker)) return
    worker.timers.forEach(clearTimeout)
    // Node aborts where its objects outgrow their limit, native code where the system gives no more; the system itself kills for want of memory.
    const outgrown = signal === 'SIGABRT' || signal === 'SIGSEGV' || signal === 'SIGKILL' || code === 134
    if (worker.job)
      this.lose(
        worker.job,
        worker.why ?? (signal === 'SIGXCPU' ? 'too long' : outgrown ? 'too much memory' : 'broken'),
      )
    worker.job = null
    this.pump()
  }
}
