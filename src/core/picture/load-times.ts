/** How long a reader waits for so many bytes on a connection of a kind. */
export interface LoadTime {
  name: string
  mbit: number
  seconds: number
}

/**
 * Three connections that readers have, by what they carry and how long an answer takes (typical values,
 * common practice, no source): a slow mobile network, an ordinary one, and a line at home.
 */
const connections = [
  { name: 'Slow mobile', mbit: 1.6, delay: 0.3 },
  { name: 'Mobile', mbit: 9, delay: 0.17 },
  { name: 'Home line', mbit: 50, delay: 0.03 },
] as const

/**
 * Seconds to load so many bytes: one round of asking, then what the line carries (1 Mbit is a million bits).
 * @param bytes of all pictures
 */
export const loadTimes = (bytes: number): LoadTime[] =>
  connections.map(({ name, mbit, delay }) => ({
    name,
    mbit,
    seconds: bytes ? delay + (bytes * 8) / (mbit * 1e6) : 0,
  }))
