/** The longest that work on a whole email holds the page at once, ms. */
const SLICE = 20

/** Lets the page paint and answer before what comes next. */
export const turn = () => new Promise<void>((go) => setTimeout(go))

/** Resolves while nothing else is to be done. */
export const idle = () =>
  new Promise<void>((go) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(go, 50)
    else requestIdleCallback(() => go(), { timeout: 1000 })
  })

let last: Promise<unknown> = Promise.resolve()

/** Resolves when those who asked before have had a turn of the page: for what each holds it for a while, as frames do. */
export const inTurn = (): Promise<unknown> => (last = last.then(turn))

/**
 * Works on in slices, with the page's own work between them, as long as it is still wanted. Where it has to wait for what it needs to read code, it
 * begins anew: a generator that threw has ended, and what it had done is remembered by those who did it.
 */
export async function inSlices(work: () => Generator<void>, wanted: () => boolean): Promise<void> {
  let steps = work()
  let began = performance.now()
  while (wanted()) {
    try {
      if (steps.next().done) return
    } catch (waiting) {
      if (!(waiting instanceof Promise)) throw waiting
      await waiting
      steps = work()
      continue
    }
    if (performance.now() - began > SLICE) {
      await turn()
      began = performance.now()
    }
  }
}
