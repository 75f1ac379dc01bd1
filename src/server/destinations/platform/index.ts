import { createHash } from 'node:crypto'
import { z } from 'zod'
import { picturesOfJob, writtenJob } from '../../jobs/proof'
import { pictureBytes } from '../../pictures/store'
import { Problem } from '../../problem'
import { ownAddress } from '../../settings'
import type { Delivering, Destination } from '../destination'
import { call } from './call'

const pictureAnswer = z.object({ address: z.string().url() })
const templateAnswer = z.object({ id: z.string(), address: z.string().url() })
const templateBack = z.object({ html: z.string(), text: z.string(), amp: z.string(), subject: z.string() })

const base = () => `${ownAddress()}/standins/platform/v1`

export interface Credentials {
  token: string
}

export interface Pushed {
  id: string
  address: string
  pictures: number
  revision: number
  /** SHA-256 of the HTML, and of the AMP part. */
  html: string
  amp: string
}

/** What tells whether what arrived is what was sent. */
const hashOf = (html: string): string => createHash('sha256').update(html).digest('hex')

/** Sends the pictures, which gives their addresses. */
async function sendPictures(
  jobId: string,
  token: string,
  { tell, signal }: Delivering,
): Promise<Map<string, string>> {
  const named = await picturesOfJob(jobId, signal)
  const addresses = new Map<string, string>()
  for (const [i, n] of named.entries()) {
    tell({ done: i, total: named.length + 1, what: `Sending picture ${n.name}` })
    const init = {
      method: 'POST',
      headers: { 'content-type': n.picture.type },
      body: new Uint8Array(await pictureBytes(n.picture.id)),
    }
    const url = `${base()}/pictures?name=${encodeURIComponent(n.name)}`
    addresses.set(n.picture.id, (await call(url, token, init, pictureAnswer, signal)).address)
  }
  return addresses
}

/** Pictures first, then the template with their addresses and the fields in the platform's own writing. */
async function send(jobId: string, { token }: Credentials, how: Delivering): Promise<{ sent: Pushed }> {
  const addresses = await sendPictures(jobId, token, how)
  const total = addresses.size + 1
  how.tell({ done: addresses.size, total, what: 'Sending the template' })
  const { title, html, text, amp, subject, preheader, revision } = await writtenJob(
    jobId,
    { writing: platform.writing, places: Object.fromEntries(addresses) },
    how.signal,
  )
  how.leaving()
  const made = await call(
    `${base()}/templates`,
    token,
    {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'idempotency-key': how.key },
      body: JSON.stringify({ name: title || subject, subject, preheader, html, text, amp }),
    },
    templateAnswer,
    how.signal,
  )
  how.tell({ done: total, total, what: 'Arrived' })
  return { sent: { ...made, pictures: addresses.size, revision, html: hashOf(html), amp: hashOf(amp) } }
}

/** What arrived has to be what was sent, to the byte. */
async function readBack(pushed: Pushed, { token }: Credentials, { signal }: Delivering): Promise<void> {
  const back = await call(`${base()}/templates/${pushed.id}`, token, { method: 'GET' }, templateBack, signal)
  if (hashOf(back.html) !== pushed.html || hashOf(back.amp) !== pushed.amp)
    throw new Problem(
      502,
      'platform-mangled',
      'The platform changed the template',
      'What it keeps is not what was sent. Look at the platform, then push again.',
    )
}

/** The sending-platform stand-in. */
export const platform: Destination<Credentials, Pushed> = {
  name: 'platform',
  writing: 'platform',
  limits: {
    pictures: ['image/png', 'image/jpeg', 'image/gif'],
    pictureBytes: 10 * 1024 * 1024,
    needs: ['subject'],
  },
  credentials: z.object({ token: z.string().min(1).max(400) }),
  send,
  readBack,
  summary: ({ id, pictures }) => `Template ${id.slice(0, 8)} with ${pictures} pictures`,
}
