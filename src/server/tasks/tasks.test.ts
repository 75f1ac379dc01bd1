import { eq } from 'drizzle-orm'
import type { Task } from '@/contract/tasks'
import { ownData } from '@/test-support/server'
import { db } from '../db'
import { tasks } from '../db/schema'
import { Problem } from '../problem'
import { cancelTask, listTasks, onTasks, settleBroken, startTask, taskOf } from './index'

ownData()

const what = (title: string) => ({ kind: 'POST /api/jobs/:job/build', title, job: null })

test('a task is written down before it begins, tells of its steps, and keeps what it gave', async () => {
  const seen: Task[] = []
  const leave = onTasks((t) => seen.push(t))
  let written: string | undefined
  const { task, done } = startTask(what('Build'), async (tell) => {
    written = db().select().from(tasks).all()[0]?.state
    tell({ done: 1, total: 4, what: 'Cutting' })
    tell({ done: 2, total: 4, what: 'Cutting' })
    return { made: 7 }
  })
  expect(await done).toEqual({ made: 7 })
  leave()
  expect(written).toBe('running')
  expect(seen.map((t) => [t.state, t.progress?.done])).toEqual([
    ['running', undefined],
    ['running', 1],
    ['running', 2],
    ['done', 2],
  ])
  expect(taskOf(task.id)).toMatchObject({ state: 'done', result: { made: 7 }, progress: { done: 2 } })
  expect(taskOf(task.id).endedAt).not.toBeNull()
  startTask(what('After'), async () => 1)
  expect(seen).toHaveLength(4)
})

test('work that fails says why; work that is cancelled says so, and cancelling what has ended changes nothing', async () => {
  const failing = startTask(what('Fails'), async () => {
    throw new Problem(502, 'closed', 'The platform is closed', 'Try later')
  })
  await expect(failing.done).rejects.toThrow('closed')
  expect(taskOf(failing.task.id)).toMatchObject({
    state: 'failed',
    problem: { status: 502, kind: 'closed', title: 'The platform is closed', detail: 'Try later' },
  })
  const long = startTask(
    what('Long'),
    (_, signal) =>
      new Promise((_resolve, reject) =>
        signal.addEventListener('abort', () => reject(signal.reason as Error)),
      ),
  )
  expect(cancelTask(long.task.id).state).toBe('running')
  await expect(long.done).rejects.toThrow()
  expect(taskOf(long.task.id).state).toBe('cancelled')
  expect(cancelTask(failing.task.id).state).toBe('failed')
  expect(() => cancelTask('none')).toThrow(expect.objectContaining({ status: 404 }))
})

test('after a restart what was under way is broken off, and what is old is forgotten', () => {
  const row = { ...what('Was'), jobId: null, progress: { done: 1, total: 2, what: '' } }
  const day = 24 * 3600 * 1000
  const put = (id: string, state: Task['state'], age: number) =>
    db()
      .insert(tasks)
      .values({
        kind: row.kind,
        title: row.title,
        id,
        state,
        startedAt: new Date(Date.now() - age).toISOString(),
      })
      .run()
  put('was', 'running', 1000)
  put('old', 'done', 4 * day)
  put('new', 'done', day)
  settleBroken()
  expect(taskOf('was')).toMatchObject({ state: 'broken', problem: { title: 'The work broke off' } })
  expect(listTasks().some((t) => t.id === 'old')).toBe(false)
  expect(listTasks().some((t) => t.id === 'new')).toBe(true)
  expect(db().select().from(tasks).where(eq(tasks.state, 'running')).all()).toEqual([])
})
