import { standinPath } from '@/core/interact/addresses'
import {
  asked,
  refusals,
  refusedAddress,
  refusedStatus,
  type Asking,
  type Came,
} from '@/core/interact/reader'
import { insideHeaders } from '../access/gate'
import { guardedFetch } from '../net/guarded-fetch'
import { Problem } from '../problem'
import { ownAddress } from '../settings'

/** Longest wait for an answer, ms. */
const PATIENCE = 15_000

/** Most bytes of an answer. */
const MOST = 400_000

/** Where the reader of version 1 is said to run (RFC 2606). */
const ORIGIN = 'https://reader.example'

export interface Question {
  url: string
  method: 'GET' | 'POST'
  fields: readonly (readonly [string, string])[]
  sender: string
  version: 1 | 2
}

/** What came back, with every reason for which a real reader takes no notice of it. */
export interface Heard extends Came {
  refused: string[]
}

const nothing = (refused: string): Heard => ({ status: 0, headers: {}, body: '', refused: [refused] })

/** Asks as a reader does. @throws a Problem (502) where nothing answers */
export async function ask(question: Question, signal?: AbortSignal): Promise<Heard> {
  const asking: Asking = { version: question.version, sender: question.sender, origin: ORIGIN }
  const bad = refusedAddress(question.url)
  if (bad) return nothing(bad)
  const { url, headers } = asked(question.url, asking)
  const path = standinPath(url)
  if (path === null && question.method === 'POST')
    return nothing(
      'From the bench answers are sent to the stand-in alone, so that no try-out reaches a real form. Its address is offered in the tray of the tile.',
    )
  const came =
    path === null ? await fromOutside(url, headers) : await fromStandin(path, headers, question, signal)
  // A form shows what it was answered in an error; of what is fetched, an error shows nothing.
  const status = question.method === 'GET' ? refusedStatus(came.status) : null
  return { ...came, refused: status ? [status] : refusals(asking, came) }
}

async function fromStandin(
  path: string,
  headers: Record<string, string>,
  { method, fields }: Question,
  signal?: AbortSignal,
): Promise<Came> {
  const form = new FormData()
  for (const [name, value] of fields) form.append(name, value)
  try {
    const response = await fetch(`${ownAddress()}/standins/answers${path}`, {
      method,
      headers: { ...headers, ...insideHeaders() },
      ...(method === 'POST' ? { body: form } : {}),
      redirect: 'manual',
      signal: AbortSignal.any([AbortSignal.timeout(PATIENCE), ...(signal ? [signal] : [])]),
    })
    return {
      status: response.status,
      headers: Object.fromEntries(response.headers),
      body: (await response.text()).slice(0, MOST),
    }
  } catch (error) {
    if (signal?.aborted) throw error
    throw new Problem(
      502,
      'unreachable',
      'Nothing answered',
      `No answer came within ${PATIENCE / 1000} seconds. A reader would show what the form says where it could not be sent.`,
    )
  }
}

/** A list from elsewhere, under the guard of all that is fetched. */
async function fromOutside(url: string, send: Record<string, string>): Promise<Came> {
  const { status, bytes, headers } = await guardedFetch(url, {
    most: MOST,
    patience: PATIENCE,
    send,
    asIs: true,
  })
  return { status, headers, body: bytes.toString('utf8') }
}
