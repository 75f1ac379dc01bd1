'use client'
import { create } from 'zustand'
import type { Task } from '@/contract/tasks'
import { addressOf, call } from '../api'

/** Work that this page does by itself, in a worker of its own. */
export interface LocalTask {
  id: string
  title: string
  progress: { done: number; total: number; what: string }
  cancel: () => void
}

interface State {
  /** The server's, by id. */
  tasks: ReadonlyMap<string, Task>
  local: ReadonlyMap<string, LocalTask>
}

/** All long work of the app, on the server and in this page: the one place it is shown from. */
export const useTasks = create<State>(() => ({ tasks: new Map(), local: new Map() }))

export function putTask(task: Task): void {
  useTasks.setState(({ tasks }) => {
    // An answer may come later than the news that overtook it.
    if (task.state === 'running' && tasks.get(task.id)?.endedAt) return {}
    return { tasks: new Map(tasks).set(task.id, task) }
  })
}

let stream: EventSource | null = null

/** Listens to the server's news of tasks, once for the whole page. What was missed while the line was down is asked for. */
export function connect(): void {
  if (stream) return
  stream = new EventSource(addressOf('GET /api/tasks/events'))
  stream.onmessage = (e: MessageEvent<string>) => putTask(JSON.parse(e.data) as Task)
  stream.onopen = () =>
    void call('GET /api/tasks', {}).then(
      ({ tasks }) => tasks.forEach(putTask),
      () => {},
    )
}

let count = 0

/** Shows work of this page among the rest. @returns what tells of its progress and of its end */
export function localTask(
  title: string,
  cancel: () => void,
): { tell: (p: { done: number; total: number; what?: string }) => void; end: () => void } {
  const id = `local-${count++}`
  const set = (progress: LocalTask['progress']) =>
    useTasks.setState(({ local }) => ({ local: new Map(local).set(id, { id, title, progress, cancel }) }))
  set({ done: 0, total: 1, what: title })
  return {
    tell: (p) => set({ what: title, ...p }),
    end: () =>
      useTasks.setState(({ local }) => {
        const left = new Map(local)
        left.delete(id)
        return { local: left }
      }),
  }
}
