/**
 * Loads the demo through the app's own routes, as any script could: clients, designs, cuts, emails. It is run
 * against a started app whose wall is empty. Usage: tsx demo/seed.ts http://127.0.0.1:4310
 */
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { clients, jobs, type DemoJob } from './scenario'
import { emptyPlan, type CutPlan } from '@/core/cut/plan'
import type { Email } from '@/core/email/schema'

const base = process.argv[2] ?? 'http://127.0.0.1:4310'

async function call<T>(path: string, method = 'GET', body?: unknown): Promise<T> {
  const form = body instanceof FormData
  const response = await fetch(`${base}/api${path}`, {
    method,
    ...(body === undefined
      ? {}
      : form
        ? { body }
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  })
  const answer: unknown = await response.json()
  if (!response.ok) throw new Error(`${method} ${path}: ${JSON.stringify(answer)}`)
  return answer as T
}

async function load(job: DemoJob, clientId: string): Promise<void> {
  const form = new FormData()
  const file = `${job.design}.png`
  form.set(
    'design',
    new File([readFileSync(fileURLToPath(new URL(`designs/${file}`, import.meta.url)))], file, {
      type: 'image/png',
    }),
  )
  form.set('clientId', clientId)
  form.set('name', job.name)
  form.set('due', job.due)
  const { id } = await call<{ id: string }>('/jobs', 'POST', form)
  if (!job.cuts) return
  const plan: CutPlan = { ...emptyPlan(), cuts: job.cuts }
  await call(`/jobs/${id}/cuts`, 'PUT', { revision: 0, plan })
  const built = await call<{ email: Email; revision: number }>(`/jobs/${id}/build`, 'POST', {})
  if (job.finish)
    await call(`/jobs/${id}/email`, 'PUT', { revision: built.revision, email: job.finish(built.email) })
}

if ((await call<{ clients: unknown[] }>('/clients')).clients.length)
  console.log('The wall is not empty: the demo is left as it is.')
else {
  const ids = new Map<string, string>()
  for (const c of clients) ids.set(c.name, (await call<{ id: string }>('/clients', 'POST', c)).id)
  for (const job of jobs) {
    await load(job, ids.get(job.client)!)
    console.log(`Loaded ${job.name}`)
  }
}
