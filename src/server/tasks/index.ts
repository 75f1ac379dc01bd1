import { and, desc, eq, lt, ne } from 'drizzle-orm'
import type { Task } from '@/contract/tasks'
import { newId } from '@/core/email/defaults'
import { asProblem } from '../as-problem'
import { db } from '../db'
import { tasks } from '../db/schema'
import { notFound } from '../problem'
import type { Progress, Tell } from './progress'

/** Progress is written down at most this often, ms; listeners hear of every step. */
const WRITE_EVERY = 500

/** What has ended is kept this long, ms. */
const KEPT = 3 * 24 * 3600 * 1000

const MOST_LISTED = 100

/** A task that runs in this process. */
interface Running {
  task: Task
  stop: AbortController
  written: number
}

/** Next loads route modules apart from each other; what runs lives on the process. */
const held = globalThis as typeof globalThis & {
  mosaicusTasks?: { running: Map<string, Running>; listeners: Set<(t: Task) => void> }
}
const state = () => (held.mosaicusTasks ??= { running: new Map(), listeners: new Set() })

const now = () => new Date().toISOString()
const tell = (task: Task) => state().listeners.forEach((hear) => hear(task))

const read = (row: typeof tasks.$inferSelect): Task => {
  const { result: _, jobId, ...rest } = row
  return { ...rest, job: jobId }
}

/**
 * Starts long work. It is written down before it begins, goes on when its caller leaves, and ends in one of four ways, also where the app is stopped
 * meanwhile (`settleBroken`).
 * @returns the task as it begins, and what the work gives
 */
export function startTask<T>(
  what: { kind: string; title: string; job: string | null },
  work: (tell: Tell, signal: AbortSignal) => Promise<T>,
): { task: Task; done: Promise<T> } {
  const task: Task = {
    id: newId(),
    ...what,
    state: 'running',
    progress: null,
    problem: null,
    startedAt: now(),
    endedAt: null,
  }
  const { job, ...row } = task
  db()
    .insert(tasks)
    .values({ ...row, jobId: job })
    .run()
  const running: Running = { task, stop: new AbortController(), written: 0 }
  state().running.set(task.id, running)
  tell(task)
  const done = work((p) => step(running, p), running.stop.signal).then(
    (result) => {
      end(running, { state: 'done' }, result)
      return result
    },
    (error: unknown) => {
      const { status, title, detail, kind } = asProblem(error)
      const state = running.stop.signal.aborted ? 'cancelled' : 'failed'
      end(running, { state, problem: { status, title, detail, kind } })
      throw error
    },
  )
  // Who does not wait hears of it through the task.
  done.catch(() => {})
  return { task, done }
}

function step(running: Running, progress: Progress): void {
  running.task = { ...running.task, progress }
  tell(running.task)
  if (Date.now() - running.written < WRITE_EVERY) return
  running.written = Date.now()
  db().update(tasks).set({ progress }).where(eq(tasks.id, running.task.id)).run()
}

function end(running: Running, how: Partial<Task>, result?: unknown): void {
  const task: Task = { ...running.task, ...how, endedAt: now() }
  const { state: ended, problem, progress, endedAt, id } = task
  state().running.delete(id)
  db()
    .update(tasks)
    .set({ state: ended, problem, progress, endedAt, result: result ?? null })
    .where(eq(tasks.id, id))
    .run()
  tell(task)
}

/** Long work, the latest first. */
export const listTasks = (): Task[] =>
  db()
    .select()
    .from(tasks)
    .orderBy(desc(tasks.startedAt))
    .limit(MOST_LISTED)
    .all()
    .map((row) => state().running.get(row.id)?.task ?? read(row))

/** What runs in this process. */
export const runningTasks = (): Task[] => [...state().running.values()].map((r) => r.task)

/** One task with what it gave. Throws a Problem (404) where there is none of that id. */
export function taskOf(id: string): Task & { result: unknown } {
  const row = db().select().from(tasks).where(eq(tasks.id, id)).get()
  if (!row) throw notFound('task', id)
  return { ...(state().running.get(id)?.task ?? read(row)), result: row.result }
}

/** Cancels a task that runs; one that has ended stays as it is. */
export function cancelTask(id: string): Task {
  const { result: _, ...task } = taskOf(id)
  state().running.get(id)?.stop.abort()
  return task
}

/** Tells a listener of every change of a task. @returns what ends it */
export function onTasks(hear: (t: Task) => void): () => void {
  state().listeners.add(hear)
  return () => state().listeners.delete(hear)
}

/** Once at the start: work that was under way when the app was stopped is over, and old work is forgotten. */
export function settleBroken(): void {
  db()
    .update(tasks)
    .set({
      state: 'broken',
      endedAt: now(),
      problem: {
        status: 500,
        kind: 'broken-off',
        title: 'The work broke off',
        detail:
          'Mosaicus was stopped before it was done. What had been saved is still there; start it again.',
      },
    })
    .where(eq(tasks.state, 'running'))
    .run()
  const before = new Date(Date.now() - KEPT).toISOString()
  db()
    .delete(tasks)
    .where(and(ne(tasks.state, 'running'), lt(tasks.startedAt, before)))
    .run()
}
