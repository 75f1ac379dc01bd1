import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { db } from '../db'
import { passphrase, sessions } from '../db/schema'
import { Problem } from '../problem'

/** Fewest letters of a passphrase that is the only thing asked for (NIST SP 800-63B-4, 3.1.1.2). */
export const LEAST = 15
export const MOST = 200

/** How much one try costs, here 128 MB and a third of a second (RFC 7914; OWASP Password Storage Cheat Sheet: N = 2^17, r = 8, p = 1). */
const COST = { ln: 17, r: 8, p: 1 }
const SALT = 16
const KEY = 32

/** The same letters count as the same, however a keyboard composes them (NIST SP 800-63B-4, 3.1.1.2). */
const normal = (said: string): string => said.normalize('NFKC')

const derived = (said: string, salt: Buffer, length: number, { ln, r, p }: typeof COST): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const options = { N: 2 ** ln, r, p, maxmem: 2 ** ln * r * 160 }
    scrypt(normal(said), salt, length, options, (error, key) => (error ? reject(error) : resolve(key)))
  })

/** Base64 without its padding (RFC 4648, section 3.2). */
const base64 = (bytes: Buffer): string => bytes.toString('base64').replaceAll('=', '')

/** What is kept of a passphrase: a slow hash with a salt of its own, as a PHC string. */
export async function hashOf(said: string): Promise<string> {
  const salt = randomBytes(SALT)
  const key = await derived(said, salt, KEY, COST)
  return `$scrypt$ln=${COST.ln},r=${COST.r},p=${COST.p}$${base64(salt)}$${base64(key)}`
}

/** Whether a passphrase is the one a hash was made of. @param kept a PHC string of scrypt */
export async function matches(said: string, kept: string): Promise<boolean> {
  const parts = /^\$scrypt\$ln=(\d+),r=(\d+),p=(\d+)\$([^$]+)\$([^$]+)$/.exec(kept)
  if (!parts) return false
  const [ln, r, p] = parts.slice(1, 4).map(Number) as [number, number, number]
  const [salt, key] = parts.slice(4).map((s) => Buffer.from(s, 'base64')) as [Buffer, Buffer]
  return timingSafeEqual(await derived(said, salt, key.length, { ln, r, p }), key)
}

/** The hash of the passphrase of this app; null where none is set. */
export const keptHash = (): string | null => db().select().from(passphrase).get()?.hash ?? null

/** Sets the passphrase; whoever entered with an earlier one is out. Throws a Problem (422) where it is too short or too long. */
export async function setPassphrase(said: string): Promise<void> {
  const length = [...normal(said)].length
  if (length < LEAST || length > MOST)
    throw new Problem(
      422,
      'passphrase-length',
      `A passphrase has ${LEAST} to ${MOST} letters`,
      `This one has ${length}. Take a few words that belong together for you alone.`,
    )
  const hash = await hashOf(said)
  removePassphrase()
  db().insert(passphrase).values({ id: 1, hash, setAt: new Date().toISOString() }).run()
}

/** Takes the passphrase away, and all sessions with it: the app then answers under the names of its own machine alone. */
export function removePassphrase(): void {
  db().transaction((tx) => {
    tx.delete(passphrase).run()
    tx.delete(sessions).run()
  })
}
