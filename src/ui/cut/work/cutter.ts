import { onBroken } from '../../parts/on-broken'
import type { CutterAnswers, CutterCall, CutterMessage } from '@/workers/cutter'

interface Waiting {
  resolve: (a: never) => void
  reject: (e: Error) => void
  progress?: (p: number) => void
}

/** The page's side of the cutting worker: the pixels live there, so that the page stays free. */
export class Cutter {
  private worker = this.start()
  private waiting = new Map<number, Waiting>()
  private next = 0
  private loading: Promise<unknown>
  private broken: Error | null = null

  constructor(
    private readonly url: string,
    onLoad?: (progress: number) => void,
  ) {
    this.loading = this.send({ kind: 'load', url }, onLoad)
  }

  /** Asks the worker; the design is loaded before. */
  async ask<K extends Exclude<CutterCall['kind'], 'load'>>(
    call: Extract<CutterCall, { kind: K }>,
    progress?: (p: number) => void,
  ): Promise<CutterAnswers[K]> {
    if (this.broken) {
      this.broken = null
      this.worker = this.start()
      this.loading = this.send({ kind: 'load', url: this.url })
    }
    await this.loading
    return this.send(call, progress)
  }

  /** Ends the worker and whatever it is doing. */
  close(): void {
    this.worker.terminate()
    for (const w of this.waiting.values()) w.reject(new DOMException('Cancelled', 'AbortError'))
    this.waiting.clear()
  }

  private start(): Worker {
    const worker = new Worker(new URL('../../../workers/cutter.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', (event: MessageEvent<CutterMessage>) => {
      const m = event.data
      const w = this.waiting.get(m.call)
      if (!w) return
      if ('progress' in m) return w.progress?.(m.progress)
      this.waiting.delete(m.call)
      if ('error' in m) w.reject(new Error(m.error))
      else w.resolve(m.answer as never)
    })
    // Whoever asks afterwards gets a worker of its own, with the design loaded anew.
    onBroken(worker, (error) => {
      for (const w of this.waiting.values()) w.reject(error)
      this.waiting.clear()
      this.broken = error
    })
    return worker
  }

  private send<K extends CutterCall['kind']>(
    call: Extract<CutterCall, { kind: K }>,
    progress?: (p: number) => void,
  ): Promise<CutterAnswers[K]> {
    return new Promise((resolve, reject) => {
      const id = this.next++
      this.waiting.set(id, { resolve: resolve as never, reject, progress })
      this.worker.postMessage({ ...call, call: id })
    })
  }
}
