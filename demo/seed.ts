/**
 * Loads the demo through the app's own routes, as any script could: clients, designs, cuts, emails. It is run
 * against a started app whose wall is empty. Usage: tsx demo/seed.ts http://127.0.0.1:4310
 */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'
import { berthChoice, berthDrawing, trains, windowDrawing } from './berths'
import { clients, jobs, type DemoClient, type DemoJob } from './scenario'
import { emptyPlan, type CutPlan } from '@/core/cut/plan'
import { newBand, newCell } from '@/core/email/defaults'
import { applyEdit, type Edit } from '@/core/email/edits'
import type { FontMeasures, WebFont } from '@/core/email/fonts'
import type { Email } from '@/core/email/schema'
import type { TileOf } from '@/core/email/tile'
import { placeOf } from '@/core/email/walk'
import { endWords } from '@/core/motion/countdown/moment'
import { keyOf } from '@/core/motion/key'
import type { FilmRef } from '@/core/motion/made'
import { nightPalette } from '@/core/night/palette'
import type { PictureRef } from '@/core/picture/ref'
import { newTile } from '@/core/tiles'
import { countdownStill, drawnGif, howTo, moonPhases, untilCopper } from './moving'

const require = createRequire(import.meta.url)
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

const fileAt = (name: string) => readFileSync(fileURLToPath(new URL(`designs/${name}`, import.meta.url)))

/** Sends a file in a form's field. */
async function send<T>(path: string, field: string, file: File): Promise<T> {
  const form = new FormData()
  form.set(field, file)
  return call<T>(path, 'POST', form)
}
const picture = (bytes: Uint8Array, type: 'gif' | 'png' = 'gif'): Promise<PictureRef> =>
  send(
    '/pictures',
    'picture',
    new File([bytes as Uint8Array<ArrayBuffer>], `picture.${type}`, { type: `image/${type}` }),
  )

/** The fonts of a client's page, with their files kept here: readers load them from there, the lenses from here. */
const webFontsOf = ({ page, fonts }: DemoClient): Promise<WebFont[]> =>
  Promise.all(
    fonts.map(async ({ family, fallback, weights }) => {
      const pack = family.toLowerCase().replaceAll(' ', '-')
      const files = weights.map(async (weight) => {
        const name = `${pack}-latin-${weight}-normal.woff2`
        const file = require.resolve(`@fontsource/${pack}/files/${name}`)
        const { id: kept, measures } = await send<{ id: string; measures?: FontMeasures }>(
          '/fonts',
          'font',
          new File([readFileSync(file)], name),
        )
        return { address: `${page}/fonts/${pack}-${weight}.woff2`, weight, italic: false, kept, measures }
      })
      return { family, fallback, files: await Promise.all(files) }
    }),
  )

async function addClient(client: DemoClient): Promise<string> {
  const house = { ...client.house, webFonts: await webFontsOf(client) }
  return (await call<{ id: string }>('/clients', 'POST', { name: client.name, house })).id
}

async function load(job: DemoJob, clientId: string): Promise<void> {
  const form = new FormData()
  if (job.design)
    form.set('design', new File([fileAt(`${job.design}.png`)], `${job.design}.png`, { type: 'image/png' }))
  form.set('clientId', clientId)
  form.set('name', job.name)
  form.set('due', job.due)
  const { id } = await call<{ id: string }>('/jobs', 'POST', form)
  const first = job.begins ? { email: job.begins(), revision: 0 } : await built(id, job)
  if (!first) return
  const finished = job.finish?.(first.email) ?? first.email
  const made = job.makes ? await making[job.makes](finished) : finished
  const { house } = clients.find((c) => c.name === job.client)!
  const email = job.night ? nightPalette(made, house).reduce(applyEdit, made) : made
  await call(`/jobs/${id}/email`, 'PUT', { revision: first.revision, email })
}

/** Cuts the design and builds the email; null where it is left to be cut. */
async function built(id: string, job: DemoJob): Promise<{ email: Email; revision: number } | null> {
  if (!job.cuts) return null
  const { cuts, panels = [], edges = [] } = job
  const plan: CutPlan = { ...emptyPlan(), cuts, panels, edges }
  await call(`/jobs/${id}/cuts`, 'PUT', { revision: 0, plan })
  return call(`/jobs/${id}/build`, 'POST', {})
}

/** What is made of, or for, what the email holds. */
const making: Record<NonNullable<DemoJob['makes']>, (email: Email) => Promise<Email>> = {
  async moon(email) {
    const hero = placeOf(email, 't-sky')!.tile as TileOf<'picture'>
    const bytes = await (await fetch(`${base}/api/pictures/${hero.picture!.id}`)).arrayBuffer()
    const phases = moonPhases(hero.picture!)
    const moon = await picture(await drawnGif(phases, new Uint8Array(bytes), 600))
    const until = untilCopper()
    const still = await picture(await countdownStill(until, 510, 'Friday 4 December, ten at night'))
    const tile: TileOf<'picture'> = {
      ...(newTile('picture') as TileOf<'picture'>),
      id: 't-until',
      picture: still,
      alt: `Until the moon is copper: ${endWords(until.made, 'en')}`,
      link: 'https://orrery-point.example/eclipse',
      width: 510,
      motion: { ...until, key: keyOf(until, 510) },
    }
    const band = {
      ...newBand(600, () => 'until'),
      id: 'b-until',
      name: 'Until it is copper',
      background: '#171a2e',
      padding: { top: 14, right: 45, bottom: 18, left: 45 },
      narrowPadding: { top: 10, right: 20, bottom: 14, left: 20 },
      cells: [{ ...newCell(510, () => 'c-until'), items: [tile] }],
    }
    const at = email.bands.findIndex((b) => b.id === placeOf(email, 't-sky')!.band.id) + 1
    return (
      [
        {
          name: 'setTile',
          what: {
            id: 't-sky',
            kind: 'picture',
            set: { picture: moon, motion: { ...phases, key: keyOf(phases, 600) } },
          },
        },
        { name: 'addBand', what: { band, at } },
      ] satisfies Edit[]
    ).reduce(applyEdit, email)
  },
  async berths() {
    const drawn = [...[0, 1, 2].map(berthDrawing), windowDrawing(false), windowDrawing(true)]
    const pictures: PictureRef[] = []
    for (const svg of drawn)
      pictures.push(await picture(await sharp(Buffer.from(svg)).png({ palette: true }).toBuffer(), 'png'))
    await call('/lists/trains', 'PUT', { list: trains })
    await answer('next-stop', ['Lake End', 'Lake End', 'Skerry Bridge', 'Old Sawmill', 'Lake End'], 'stop')
    await answer('slept', ['5', '4', '5', '3', '5', '4'], 'rating')
    return berthChoice(pictures)
  },
  async film(email) {
    const name = 'fennmoor-how-to.webm'
    const film = await send<FilmRef>('/films', 'film', new File([fileAt(name)], name, { type: 'video/webm' }))
    const motion = howTo(film)
    const clip = await picture(fileAt('fennmoor-how-to.gif'))
    return applyEdit(email, {
      name: 'setTile',
      what: {
        id: 't-film',
        kind: 'picture',
        set: { picture: clip, motion: { ...motion, key: keyOf(motion, 540) } },
      },
    })
  },
}

/** Answers that came before, as readers of the message sent them. */
async function answer(form: string, values: readonly string[], name: string): Promise<void> {
  for (const [i, value] of values.entries())
    await fetch(`${base}/standins/answers/${form}`, {
      method: 'POST',
      headers: { 'amp-email-sender': 'night@halden-rail.example', 'user-agent': `reader ${i}` },
      body: new URLSearchParams({ [name]: value }),
    })
}

if ((await call<{ clients: unknown[] }>('/clients')).clients.length)
  console.log('The wall is not empty: the demo is left as it is.')
else {
  const ids = new Map<string, string>()
  for (const c of clients) ids.set(c.name, await addClient(c))
  for (const job of jobs) {
    await load(job, ids.get(job.client)!)
    console.log(`Loaded ${job.name}`)
  }
}
