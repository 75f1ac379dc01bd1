import { Problem } from '../problem'

/** So many wrong tries are let through in so long, ms, whoever makes them: an app behind a proxy knows no addresses. */
export const MOST_TRIES = 10
export const WINDOW = 15 * 60_000

/** Counts tries; one that went well does not count. */
export class Tries {
  private times: number[] = []

  /**
   * Before a try: it counts from its start, so that many at once are no way around.
   * @returns what takes it back where it went well. Throws a Problem (429) where there were too many
   */
  begin(now = Date.now()): () => void {
    this.times = this.times.filter((t) => t > now - WINDOW)
    if (this.times.length >= MOST_TRIES) {
      const seconds = Math.ceil((this.times[0]! + WINDOW - now) / 1000)
      throw new Problem(
        429,
        'too-many-tries',
        'Too many wrong tries',
        `After ${MOST_TRIES} wrong passphrases none is tried for a while. Try again in ${Math.ceil(seconds / 60)} min.`,
        { retryAfter: seconds },
      )
    }
    this.times.push(now)
    return () => this.times.splice(this.times.indexOf(now), 1)
  }
}

/** Next loads route modules apart from each other; the count lives on the process. */
const held = globalThis as typeof globalThis & { mosaicusTries?: Tries }
export const tries = (): Tries => (held.mosaicusTries ??= new Tries())
