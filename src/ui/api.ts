import { z } from 'zod'

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

function asProblem(body: unknown, status: number): ApiProblem {
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

async function ask(path: string, init?: RequestInit): Promise<Response> {
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

/** Calls a route and gives back its JSON. Throws an ApiProblem that a person can act on. */
export async function call<T>(
  path: string,
  init: { method?: string; body?: unknown; form?: FormData; signal?: AbortSignal } = {},
): Promise<T> {
  const response = await ask(path, {
    method: init.method ?? 'GET',
    signal: init.signal,
    ...(init.form
      ? { body: init.form }
      : init.body !== undefined
        ? { body: JSON.stringify(init.body), headers: { 'content-type': 'application/json' } }
        : {}),
  })
  const body: unknown = await response.json().catch(() => null)
  if (!response.ok) throw asProblem(body, response.status)
  return body as T
}

/** Calls a route that does long work and tells of each step; aborting the signal cancels the work. */
export async function callLong<T, P>(
  path: string,
  body: unknown,
  onProgress: (p: P) => void,
  signal?: AbortSignal,
): Promise<T> {
  const response = await ask(path, {
    method: 'POST',
    body: JSON.stringify(body),
    signal,
    headers: { 'content-type': 'application/json', accept: 'application/x-ndjson' },
  })
  if (!response.ok || !response.body)
    throw asProblem(await response.json().catch(() => null), response.status)
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    rest += value ?? ''
    const lines = rest.split('\n')
    rest = lines.pop()!
    for (const line of lines) {
      const step = JSON.parse(line) as { progress?: P; result?: T; problem?: unknown }
      if (step.progress) onProgress(step.progress)
      else if (step.problem) throw asProblem(step.problem, 500)
      else return step.result as T
    }
    if (done)
      throw new ApiProblem(
        0,
        'The work broke off',
        'The server stopped before it was done. Nothing was changed; try again.',
      )
  }
}
