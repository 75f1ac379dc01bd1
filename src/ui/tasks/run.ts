'use client'
import type { Key, Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import type { Task } from '@/contract/tasks'
import { ApiProblem, call, start, type Ask } from '../api'
import { connect, putTask, useTasks } from './store'

/** How often a task is asked for where no news of it comes, ms. */
const ASK_EVERY = 4000

export const cancelTask = (id: string): Promise<unknown> =>
  call('DELETE /api/tasks/:task', { params: { task: id } }).catch(() => {})

/**
 * Runs long work on the server and waits for what it gives. Aborting the signal cancels it. Throws an ApiProblem, or an AbortError where it was
 * cancelled, here or in the list of work.
 */
export async function runTask<K extends Key>(
  key: K,
  ask: Ask<K>,
  {
    onProgress,
    signal,
  }: { onProgress?: (p: NonNullable<Task['progress']>) => void; signal?: AbortSignal } = {},
): Promise<AnswerOf<Routes[K]>> {
  connect()
  const task = await start(key, ask)
  putTask(task)
  const cancel = () => void cancelTask(task.id)
  if (signal?.aborted) cancel()
  signal?.addEventListener('abort', cancel)
  try {
    const ended = await endOf(task.id, onProgress)
    if (ended.state === 'cancelled') throw new DOMException('Cancelled', 'AbortError')
    if (ended.problem) throw new ApiProblem(ended.problem.status, ended.problem.title, ended.problem.detail)
    const { result } = await call('GET /api/tasks/:task', { params: { task: task.id } })
    return result as AnswerOf<Routes[K]>
  } finally {
    signal?.removeEventListener('abort', cancel)
  }
}

/** The task once it has ended, by the server's news or, where none come, by asking. */
function endOf(id: string, onProgress?: (p: NonNullable<Task['progress']>) => void): Promise<Task> {
  return new Promise((resolve) => {
    let last: Task | undefined
    const look = () => {
      const task = useTasks.getState().tasks.get(id)
      if (!task || task === last) return
      last = task
      if (task.progress) onProgress?.(task.progress)
      if (task.state === 'running') return
      leave()
      clearInterval(asking)
      resolve(task)
    }
    const leave = useTasks.subscribe(look)
    const asking = setInterval(
      () =>
        void call('GET /api/tasks/:task', { params: { task: id } }).then(
          ({ result: _, ...t }) => putTask(t),
          () => {},
        ),
      ASK_EVERY,
    )
    look()
  })
}
