import type { z } from 'zod'
import { routes, type Key, type Routes } from '@/contract'
import type { AnswerOf, BodyOf, FieldsOf, ParamsOf, QueryOf, Route } from '@/contract/route'
import { closedTo } from '../access/gate'
import { asProblem } from '../as-problem'
import { cancelTask, startTask } from '../tasks'
import type { Tell } from '../tasks/progress'
import { readForm, type SentForm } from './forms'
import { refusal } from './own-site'
import { problemResponse, readJson } from './respond'

type Answer<K extends Key> = AnswerOf<Routes[K]>

/** What was asked, checked against the contract. */
export interface Asked<K extends Key> {
  request: Request
  params: ParamsOf<K>
  query: z.output<QueryOf<Routes[K]>>
  /** Undefined where a form came instead. */
  body: z.output<BodyOf<Routes[K]>>
  /** Undefined where JSON came instead. */
  form: SentForm | undefined
  fields: z.output<FieldsOf<Routes[K]>>
}

type Served = (
  request: Request,
  context: { params: Promise<Record<string, string> | undefined> },
) => Promise<Response>

/** Wraps a handler: what comes is checked, and every error becomes a problem that a person can act on. */
const guarded =
  <K extends Key>(key: K, handle: (asked: Asked<K>) => Promise<Response> | Response): Served =>
  async (request, context) => {
    try {
      const refused = refusal(request) ?? closedTo(request)
      if (refused) throw refused
      return await handle(await read(key, request, (await context.params) ?? {}))
    } catch (error) {
      return problemResponse(asProblem(error))
    }
  }

async function read<K extends Key>(
  key: K,
  request: Request,
  params: Record<string, string>,
): Promise<Asked<K>> {
  const route: Route = routes[key]
  const query = route.query?.parse(Object.fromEntries(new URL(request.url).searchParams))
  const sendsForm = route.form && request.headers.get('content-type')?.startsWith('multipart/')
  const needsForm = route.form && !route.body
  const form = sendsForm || needsForm ? await readForm(request, route.form!.most) : undefined
  try {
    return {
      request,
      params,
      query,
      body: form || !route.body ? undefined : await readJson(request, route.body),
      form,
      fields: form && route.form?.fields?.parse(form.fields),
    } as Asked<K>
  } catch (error) {
    await form?.dispose()
    throw error
  }
}

/** An answer as the contract describes it: what it does not name is left out. */
function answer(key: Key, value: unknown): Response {
  const { gives, status = 200 }: Route = routes[key]
  if (typeof gives === 'string') throw new TypeError(`${key} gives a file`)
  return Response.json(gives.parse(value), { status })
}

/** Serves a route that gives JSON. */
export const serve = <K extends Key>(
  key: K,
  handle: (asked: Asked<K>) => Promise<Answer<K>> | Answer<K>,
): Served =>
  guarded(key, async (asked) => {
    try {
      return answer(key, await handle(asked))
    } finally {
      await asked.form?.dispose()
    }
  })

/** Serves a route that gives a file or a stream. */
export const serveFile = <K extends Key>(
  key: K,
  handle: (asked: Asked<K>) => Promise<Response> | Response,
): Served => guarded(key, handle)

/** Begins work that takes a form's files away when it is done; they go at once where it cannot begin. */
function begin<T>({ form }: { form: SentForm | undefined }, start: () => T): T {
  try {
    return start()
  } catch (error) {
    void form?.dispose()
    throw error
  }
}

/**
 * Serves long work. It runs as a task: a caller that prefers `respond-async` (RFC 7240, section 4.1) gets the task (202) and follows it; any other
 * waits for the result, and cancels the work by going away.
 * @param title what the list of work calls it
 */
export const serveLong = <K extends Key>(
  key: K,
  title: (asked: Asked<K>) => string,
  work: (asked: Asked<K>, tell: Tell, signal: AbortSignal) => Promise<Answer<K>>,
): Served =>
  guarded(key, async (asked) => {
    const { job = null } = asked.params as { job?: string }
    const { task, done } = begin(asked, () =>
      startTask({ kind: key, title: title(asked), job }, (tell, signal) =>
        work(asked, tell, signal).finally(() => asked.form?.dispose()),
      ),
    )
    if (asked.request.headers.get('prefer')?.includes('respond-async'))
      return Response.json(task, {
        status: 202,
        headers: { location: `/api/tasks/${task.id}`, 'preference-applied': 'respond-async' },
      })
    asked.request.signal.addEventListener('abort', () => cancelTask(task.id))
    return answer(key, await done)
  })
