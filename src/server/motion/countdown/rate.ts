/** How many a minute, from one asker and from all together. */
export interface RateLimits {
  each: number
  all: number
}

/** Askers that are told apart at once. */
const MOST_ASKERS = 10_000

/** Counts what is taken in each minute (a fixed window), by who takes it. */
export class Rate {
  private minute = 0
  private all = 0
  private readonly by = new Map<string, number>()

  constructor(private readonly limits: RateLimits) {}

  /** Takes one. @returns whether there was one to take @param now ms since 1970 */
  take(asker: string, now = Date.now()): boolean {
    const minute = Math.floor(now / 60_000)
    if (minute !== this.minute) {
      this.minute = minute
      this.all = 0
      this.by.clear()
    }
    // More askers than can be told apart count as one.
    const who = this.by.has(asker) || this.by.size < MOST_ASKERS ? asker : ''
    const taken = this.by.get(who) ?? 0
    if (taken >= this.limits.each || this.all >= this.limits.all) return false
    this.by.set(who, taken + 1)
    this.all++
    return true
  }
}
