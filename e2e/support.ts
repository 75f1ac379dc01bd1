import AxeBuilder from '@axe-core/playwright'
import { expect, type APIRequestContext, type Page } from '@playwright/test'

/** The id of a demo job. */
export async function jobId(request: APIRequestContext, name: string): Promise<string> {
  const { jobs } = (await (await request.get('/api/jobs')).json()) as { jobs: { id: string; name: string }[] }
  const job = jobs.find((j) => j.name === name)
  if (!job) throw new Error(`The demo has no job ${name}`)
  return job.id
}

/** A copy of a demo job, so that tests do not meet in one. */
export async function copyOf(request: APIRequestContext, name: string): Promise<string> {
  return ((await (await request.post(`/api/jobs/${await jobId(request, name)}/duplicate`)).json()) as { id: string }).id
}

/** Waits until the bench has saved what was changed. */
export const saved = (page: Page) => expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved', { timeout: 15_000 })

/** axe-core finds nothing against WCAG 2.2 A and AA. What the lenses show is the client's email, not the app. */
export async function accessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    // The spine draws bands in true proportion, so thin ones are small targets; WCAG 2.2, 2.5.8 allows it where another control does the same: the
    // lens, and the keys J and K.
    .exclude('iframe').exclude('[aria-label=Spine] [aria-pressed]').analyze()
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).slice(0, 3).join(' | ')}`)).toEqual([])
}
