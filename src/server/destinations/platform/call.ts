import type { z } from 'zod'
import { z as zod } from 'zod'
import { insideHeaders } from '../../access/gate'
import { Problem } from '../../problem'
import { ownAddress } from '../../settings'

const refusal = zod.object({ error: zod.string(), message: zod.string() })

/** Longest wait for one answer, ms. */
const PATIENCE = 15_000

/** The stand-in answers behind the app's own gate. */
const own = (url: string) => (new URL(url).origin === ownAddress() ? insideHeaders() : {})

/** Asks the platform for something. Throws a Problem (502) that says what it answered. */
export async function call<T>(
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
      headers: { ...init.headers, ...own(url), authorization: `Bearer ${token}` },
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
