import { z } from 'zod'
import type { Key, Routes } from '@/contract'
import type { AnswerOf, BodyOf, ParamsOf, QueryOf } from '@/contract/route'
import type { Task } from '@/contract/tasks'

/** A problem the server told of: what happened, why, and what to do. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(`${title}. ${detail}`)
  }
}

const problemSchema = z.looseObject({ title: z.string(), detail: z.string(), status: z.number().optional() })

export function asProblem(body: unknown, status: number): ApiProblem {
  const read = problemSchema.safeParse(body)
  if (!read.success)
    return new ApiProblem(
      status,
      'The server gave no usable answer',
      `It answered with status ${status}. What you wrote is kept; try again.`,
    )
  const { title, detail, ...extra } = read.data
  return new ApiProblem(status, title, detail, extra)
}

async function send(path: string, init?: RequestInit): Promise<Response> {
  try {
    return await fetch(path, init)
  } catch (error) {
    if ((error as Error).name === 'AbortError') throw error
    throw new ApiProblem(
      0,
      'Mosaicus does not answer',
      'The app on this machine seems to be stopped. Start it again; what you wrote is kept here.',
    )
  }
}

type Answer<K extends Key> = AnswerOf<Routes[K]>
type Given<Name extends string, T> = [T] extends [never] ? object : { [N in Name]: T }

/** What a route is asked with: its parameters, and what it takes. */
export type Ask<K extends Key> = (string extends keyof ParamsOf<K>
  ? object
  : Given<'params', ParamsOfOrNever<K>>) & {
  query?: [QueryOf<Routes[K]>] extends [never] ? never : z.input<QueryOf<Routes[K]>>
  body?: [BodyOf<Routes[K]>] extends [never] ? never : z.input<BodyOf<Routes[K]>>
  form?: FormData
  signal?: AbortSignal
  /** What makes a repeat safe, for deliveries. */
  key?: string
}
type ParamsOfOrNever<K extends string> = keyof ParamsOf<K> extends never ? never : ParamsOf<K>

/** The address of a route. */
export function addressOf<K extends Key>(key: K, ask: { params?: object; query?: object } = {}): string {
  const path = key.slice(key.indexOf(' ') + 1)
  const params = (ask.params ?? {}) as Record<string, string>
  const filled = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''))
  const query = Object.entries(ask.query ?? {}).filter(([, v]) => v !== undefined && v !== '')
  return query.length ? `${filled}?${new URLSearchParams(query.map(([k, v]) => [k, String(v)]))}` : filled
}

async function respond<K extends Key>(
  key: K,
  ask: Ask<K>,
  headers: Record<string, string> = {},
): Promise<Response> {
  const {
    body,
    form,
    signal,
    key: once,
  } = ask as { body?: unknown; form?: FormData; signal?: AbortSignal; key?: string }
  const response = await send(addressOf(key, ask as object), {
    method: key.slice(0, key.indexOf(' ')),
    signal,
    headers: {
      ...headers,
      ...(once ? { 'idempotency-key': once } : {}),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    body: form ?? (body === undefined ? undefined : JSON.stringify(body)),
  })
  if (!response.ok) throw asProblem(await response.json().catch(() => null), response.status)
  return response
}

/** Calls a route and gives back its JSON. Throws an ApiProblem that a person can act on. */
export const call = async <K extends Key>(key: K, ask: Ask<K>): Promise<Answer<K>> =>
  (await respond(key, ask)).json() as Promise<Answer<K>>

/** Calls a route that gives a file. */
export async function callFile<K extends Key>(key: K, ask: Ask<K>): Promise<{ blob: Blob; name: string }> {
  const response = await respond(key, ask)
  const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1]
  return { blob: await response.blob(), name: name ?? 'file' }
}

/** Starts long work, which goes on by itself; `ui/tasks` follows it. */
export const start = async <K extends Key>(key: K, ask: Ask<K>): Promise<Task> =>
  (await respond(key, ask, { prefer: 'respond-async' })).json() as Promise<Task>

/** A multipart form; what is undefined or empty is left out. */
export function formOf(fields: Record<string, string | Blob | undefined>): FormData {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields)) if (value) form.set(name, value)
  return form
}
