import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { plainOf } from '@/core/email/richtext'
import type { Email } from '@/core/email/schema'
import { tilesOf } from '@/core/email/walk'
import { likeness } from './support'

/* A photograph with words on it, drawn: a sky that goes from dark to light, hills, grain. */
const W = 600
const H = 620
const photograph = `<defs><linearGradient id="s" x2="0.5" y2="1"><stop stop-color="#14304d"/><stop offset=".6" stop-color="#7b7f86"/><stop offset="1" stop-color="#d0956a"/></linearGradient><filter id="n" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency="0.015 0.12" numOctaves="3" seed="9"/><feColorMatrix values="0 0 0 0 .4 0 0 0 0 .4 0 0 0 0 .45 .6 0 0 0 0"/></filter></defs><rect y="70" width="${W}" height="330" fill="url(#s)"/><rect y="240" width="${W}" height="160" filter="url(#n)" opacity=".6"/>`
const type = (x: number, y: number, size: number, fill: string, says: string, bold = false) =>
  `<text x="${x}" y="${y}" font-family="Arimo" font-size="${size}" ${bold ? 'font-weight="700"' : ''} fill="${fill}">${says}</text>`
const design = `<svg xmlns="http://www.w3.org/2000/svg" width="${2 * W}" height="${2 * H}" viewBox="0 0 ${W} ${H}"><rect width="${W}" height="${H}" fill="#ffffff"/>${type(36, 46, 22, '#16324f', 'Northline', true)}${photograph}${type(36, 170, 42, '#ffffff', 'Your crossing', true)}${type(36, 218, 42, '#ffffff', 'is on Friday', true)}${type(36, 256, 16, '#ffffff', 'All you need for the morning,')}${type(36, 280, 16, '#ffffff', 'from the gate to the cabin.')}${type(36, 450, 16, '#16324f', 'Foot passengers may board until twenty minutes before we leave.')}<rect x="36" y="490" width="170" height="46" rx="6" fill="#f2a33a"/>${type(72, 518, 16, '#16324f', 'Check in now', true)}</svg>`

test('a design that is read first: words on its photograph are live, with the photograph behind them, and look as they did', async ({
  page,
  request,
}) => {
  const png = await sharp(Buffer.from(design)).png().toBuffer()
  const { clients } = (await (await request.get('/api/clients')).json()) as { clients: { id: string }[] }
  const made = await request.post('/api/jobs', {
    multipart: {
      clientId: clients[0]!.id,
      name: 'A crossing',
      width: '600',
      design: { name: 'crossing.png', mimeType: 'image/png', buffer: png },
    },
  })
  const job = (await made.json()) as { id: string }
  await page.goto(`/jobs/${job.id}?stage=cut`)
  await page.getByRole('button', { name: 'Read and find' }).click()
  await expect(page.getByText(/with the words that were read/)).toBeVisible({ timeout: 100_000 })
  await page.getByRole('button', { name: 'Build the email' }).click()
  const emailOf = async () =>
    ((await (await request.get(`/api/jobs/${job.id}/email`)).json()) as { email?: Email }).email
  await expect.poll(emailOf, { timeout: 60_000 }).toBeTruthy()
  const email = (await emailOf())!
  const hero = email.bands.find((b) => b.picture)!
  const said = [...tilesOf(hero)].flatMap((t) =>
    t.kind === 'words' ? [plainOf(t.text).replace(/\s+/g, ' ')] : [],
  )
  // An i at a line's beginning is easily read as a capital one.
  expect(said.join(' ').toLowerCase()).toBe(
    'your crossing is on friday all you need for the morning, from the gate to the cabin.',
  )
  const all = email.bands.flatMap((b) => [...tilesOf(b)])
  expect(all.some((t) => t.kind === 'button' && t.label === 'Check in now')).toBe(true)
  expect(
    all.some((t) => t.kind === 'words' && plainOf(t.text).includes('Foot passengers may board until twenty')),
  ).toBe(true)

  // The picture behind is the photograph without the words.
  const behind = await (await request.get(`/api/pictures/${hero.picture!.picture.id}`)).body()
  const bare = await sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${2 * W}" height="660" viewBox="0 70 ${W} 330">${photograph}</svg>`,
    ),
  )
    .resize(W)
    .png()
    .toBuffer()
  const { width = 0, height = 0 } = await sharp(behind).metadata()
  expect(width / height).toBeCloseTo(600 / 330, 1)
  expect(
    await likeness(await sharp(behind).resize(W, 330, { fit: 'fill' }).png().toBuffer(), bare, W, 330),
  ).toBeGreaterThan(0.95)
})
