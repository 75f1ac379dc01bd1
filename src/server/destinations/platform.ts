import { z } from 'zod'
import type { ConditionWriter } from '@/core/email/conditions'
import { said } from '@/core/email/conditions'
import { namePictures } from '@/core/handover/names'
import { replaceFields, UNSUBSCRIBE, type FieldWriter } from '@/core/text/fields'
import type { Tell } from '../jobs/build'
import { compileJob } from '../jobs/proof'
import { pictureBytes } from '../pictures/store'
import { Problem } from '../problem'
import { ownAddress } from '../settings'

/**
 * How the sending-platform stand-in writes fields: `{:name:fallback:}`, and `{:leave_link:}` for the way out.
 */
const platformField: FieldWriter = ({ name, fallback }) =>
  name === UNSUBSCRIBE ? '{:leave_link:}' : `{:${name}${fallback ? `:${fallback}` : ''}:}`

/** How it writes conditions. */
const platformConditions: ConditionWriter = (c) => ({ before: `{?${said(c)}?}`, after: '{?end?}' })

const pictureAnswer = z.object({ address: z.string().url() })
const templateAnswer = z.object({ id: z.string(), address: z.string().url() })
const refusal = z.object({ error: z.string(), message: z.string() })

/** Longest wait for one answer, ms. */
const PATIENCE = 15_000

export interface Pushed {
  id: string
  address: string
  pictures: number
  revision: number
}

/**
 * Pushes a job to the sending-platform stand-in: pictures first, which gives their addresses, then the
 * template with these addresses and the fields in the platform's own writing. Throws a Problem (502) that
 * says what the platform answered.
 */
export async function pushToPlatform(
  jobId: string,
  token: string,
  tell: Tell = () => {},
  signal?: AbortSignal,
): Promise<Pushed> {
  const base = `${ownAddress()}/standins/platform/v1`
  const named = namePictures(compileJob(jobId).email)
  const total = named.length + 1
  const addresses = new Map<string, string>()
  for (const [i, n] of named.entries()) {
    tell({ done: i, total, what: `Sending picture ${n.name}` })
    const answer = await call(
      `${base}/pictures?name=${encodeURIComponent(n.name)}`,
      token,
      {
        method: 'POST',
        headers: { 'content-type': n.picture.type },
        body: new Uint8Array(await pictureBytes(n.picture.id)),
      },
      pictureAnswer,
      signal,
    )
    addresses.set(n.picture.id, answer.address)
  }
  tell({ done: named.length, total, what: 'Sending the template' })
  const { email, html, text, revision } = compileJob(jobId, {
    src: ({ id }) => addresses.get(id)!,
    fields: platformField,
    conditions: platformConditions,
  })
  const body = JSON.stringify({
    name: email.title || email.subject,
    subject: replaceFields(email.subject, platformField),
    preheader: replaceFields(email.preheader, platformField),
    html,
    text,
  })
  const made = await call(
    `${base}/templates`,
    token,
    { method: 'POST', headers: { 'content-type': 'application/json' }, body },
    templateAnswer,
    signal,
  )
  tell({ done: total, total, what: 'Arrived' })
  return { ...made, pictures: named.length, revision }
}

async function call<T>(
  url: string,
  token: string,
  init: RequestInit,
  schema: z.ZodType<T>,
  signal?: AbortSignal,
): Promise<T> {
  let response: Response
  try {
    response = await fetch(url, {
      ...init,
      headers: { ...init.headers, authorization: `Bearer ${token}` },
      signal: AbortSignal.any([AbortSignal.timeout(PATIENCE), ...(signal ? [signal] : [])]),
      redirect: 'error',
    })
  } catch (error) {
    if (signal?.aborted) throw error
    const slow = (error as Error).name === 'TimeoutError'
    throw new Problem(
      502,
      slow ? 'platform-slow' : 'platform-unreachable',
      slow ? 'The platform did not answer in time' : 'The platform cannot be reached',
      slow
        ? `It gave no answer within ${PATIENCE / 1000} seconds. Nothing was changed here; push again in a while.`
        : 'No connection could be made. Nothing was changed here; check that the stand-in is on, then push again.',
    )
  }
  const body: unknown = await response.json().catch(() => null)
  if (!response.ok) {
    const said = refusal.safeParse(body)
    const why = said.success
      ? said.data.message
      : `It answered with status ${response.status} and no explanation.`
    if (response.status === 401)
      throw new Problem(
        502,
        'platform-token',
        'The platform did not accept the token',
        `${why} Copy the token from the platform's page and push again.`,
      )
    throw new Problem(
      502,
      said.success ? `platform-${said.data.error}` : 'platform-refused',
      'The platform refused the template',
      `${why} Nothing was changed here.`,
    )
  }
  const answer = schema.safeParse(body)
  if (!answer.success)
    throw new Problem(
      502,
      'platform-mangled',
      'The platform gave an answer that makes no sense',
      'It said the push went well, but its answer could not be read, so it is not known whether the template arrived. Look at the platform, then push again.',
    )
  return answer.data
}
