/**
 * What is worked out once all that it needs is there: what reads code, or makes interactive parts, comes to a page when it is first
 * needed, and until then its promise is thrown (`reading-later`).
 */
export async function whenRead<T>(work: () => T): Promise<T> {
  for (;;)
    try {
      return work()
    } catch (waiting) {
      if (!(waiting instanceof Promise)) throw waiting
      await waiting
    }
}
