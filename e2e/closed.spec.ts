import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { longEmail } from '@/test-support/emails'
import { accessible } from './support'

/** A server of its own, since a passphrase closes all of it. */
const port = Number(process.env.PORT ?? 4390) + 5
const address = `http://127.0.0.1:${port}`
const folder = mkdtempSync(join(tmpdir(), 'mosaicus-closed-'))
const env = {
  ...process.env,
  PORT: String(port),
  MOSAICUS_DATA: folder,
  MOSAICUS_SMTP_PORT: String(port + 1),
  // What stands for a reverse proxy here tells of others by its header.
  MOSAICUS_PROXY: '127.0.0.1',
}
const GOOD = 'four wet stones shine'
let server: ChildProcess | undefined

/** Sets the passphrase as `bin/passphrase` does. */
const setPassphrase = () =>
  spawnSync('node', ['node_modules/.bin/tsx', 'scripts/passphrase.ts'], { env, input: `${GOOD}\n${GOOD}\n` })

test.use({ baseURL: address })
// One server for all of the file.
test.describe.configure({ mode: 'default' })
test.beforeAll(async () => {
  expect(setPassphrase().status).toBe(0)
  const next = ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)]
  server = spawn('node', next, { env, stdio: 'ignore' })
  await expect
    .poll(async () => (await fetch(`${address}/api/session`).catch(() => null))?.status, { timeout: 60_000 })
    .toBe(200)
})
test.afterAll(() => {
  server?.kill()
  rmSync(folder, { recursive: true, force: true })
})

test('behind a passphrase nothing answers but the way in and the links for clients; entered, all works as before', async ({
  page,
  playwright,
}) => {
  const stranger = await playwright.request.newContext({ baseURL: address })
  for (const path of ['/api/jobs', '/api/clients', '/api/tasks/events', '/standins/platform/v1/templates'])
    expect((await stranger.get(path)).status(), path).toBe(401)
  expect((await stranger.get('/api/shares/none')).status()).toBe(404)

  await page.goto('/jobs/some-job')
  await expect(page.locator('[data-ready=true]')).toBeVisible()
  await accessible(page)
  await page.getByLabel('Passphrase').fill('four wet stones shone')
  await page.getByRole('button', { name: 'Enter' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'This is not the passphrase' })).toBeVisible()
  await page.getByLabel('Passphrase').fill(GOOD)
  await page.keyboard.press('Enter')
  // The address that was asked for is shown: here one that leads nowhere.
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()

  await page.goto('/')
  await expect(page.getByText('The wall is empty')).toBeVisible()
  await page.locator('[data-ready=true]').waitFor()
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder('What do you want to do?').fill('close the bench')
  await page.keyboard.press('Enter')
  await expect(page.getByText('This bench is closed')).toBeVisible()
  expect((await page.request.get('/api/jobs')).status()).toBe(401)
})

test('who has entered makes a link; a stranger sees the email under it, and nothing else', async ({
  page,
  playwright,
}) => {
  expect((await page.request.post('/api/session', { data: { passphrase: GOOD } })).status()).toBe(200)
  const client = (await (await page.request.post('/api/clients', { data: { name: 'Fennmoor' } })).json()) as {
    id: string
  }
  const job = (await (
    await page.request.post('/api/jobs', { multipart: { name: 'Letter', clientId: client.id, width: '600' } })
  ).json()) as { id: string }
  const put = { data: { revision: 0, email: longEmail(2) } }
  expect((await page.request.put(`/api/jobs/${job.id}/email`, put)).status()).toBe(200)
  const share = (await (
    await page.request.post(`/api/jobs/${job.id}/shares`, { data: { days: 2 } })
  ).json()) as { id: string }
  const stranger = await playwright.request.newContext({
    baseURL: address,
    extraHTTPHeaders: { 'x-forwarded-for': '203.0.113.9' },
  })
  expect((await stranger.get(`/share/${share.id}`)).status()).toBe(200)
  expect((await stranger.get(`/api/shares/${share.id}`)).status()).toBe(200)
  expect((await stranger.get(`/api/jobs/${job.id}/html`)).status()).toBe(401)
  expect(await (await stranger.get(`/jobs/${job.id}`)).text()).not.toContain('Letter')
  // Guessing comes to an end, for whoever guesses.
  const guess = () => stranger.post('/api/session', { data: { passphrase: 'guess after guess' } })
  let last = await guess()
  for (let i = 0; i < 12 && last.status() === 401; i++) last = await guess()
  expect(last.status()).toBe(429)
  expect(Number(last.headers()['retry-after'])).toBeGreaterThan(0)
  // The owner enters, and is told of it.
  await page.request.delete('/api/session')
  await page.goto('/')
  await page.getByLabel('Passphrase').fill(GOOD)
  await page.getByRole('button', { name: 'Enter' }).click()
  await expect(page.getByRole('heading', { name: /wrong tries since somebody last entered/ })).toBeVisible()
  await expect(page.getByText('203.0.113.9')).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(
    page.getByRole('heading', { name: 'Letter' }).or(page.getByText('Letter')).first(),
  ).toBeVisible()
})
