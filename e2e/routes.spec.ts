import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { HtmlValidate } from 'html-validate'
import { readFileSync } from 'node:fs'
import { expect, test, type APIRequestContext, type APIResponse } from '@playwright/test'
import sharp from 'sharp'
import { ssim } from 'ssim.js'
import { copyOf, jobId, quiet } from './support'

const TOKEN = 'standin-7f3a-open-sesame'
type Cuts = { revision: number; plan: { version: 1; cuts: { kind: string; id: string }[]; built: object } }
type Found = { revision: number; email: { bands: unknown[]; subject: string } }

const newJob = async (request: APIRequestContext, design: string): Promise<string> => {
  const { clients } = (await (await request.get('/api/clients')).json()) as { clients: { id: string }[] }
  const made = await request.post('/api/jobs', {
    multipart: {
      clientId: clients[0]!.id,
      name: `All pictures: ${design}`,
      width: '600',
      design: { name: 'd.png', mimeType: 'image/png', buffer: readFileSync(`demo/designs/${design}.png`) },
    },
  })
  return ((await made.json()) as { id: string }).id
}

/** The cuts as pictures, as high as it takes for nothing to stay uncovered: whole bands. */
const allPictures = (cuts: { x: number; y: number; w: number; h: number }[]) => {
  const tops = [...new Set(cuts.filter((c) => c.x === 0 || c.x === 90).map((c) => c.y))].sort((a, b) => a - b)
  const bottom = Math.max(...cuts.map((c) => c.y + c.h))
  return tops.map((y, i) => ({
    id: `p${i}`,
    x: 0,
    y,
    w: 1200,
    h: (tops[i + 1] ?? bottom) - y,
    kind: 'picture',
    alt: 'x',
    link: '',
    words: null,
    ground: null,
  }))
}

test('a script can do the whole job through the routes', async ({ request }) => {
  const client = (await (await request.post('/api/clients', { data: { name: 'Scripted' } })).json()) as {
    id: string
  }
  const design = {
    name: 'd.png',
    mimeType: 'image/png',
    buffer: readFileSync('demo/designs/orrery-point-eclipse-night.png'),
  }
  const made = await request.post('/api/jobs', {
    multipart: { clientId: client.id, name: 'By script', width: '600', design },
  })
  expect(made.status()).toBe(201)
  const { id } = (await made.json()) as { id: string }
  const { cuts } = (await (await request.post(`/api/jobs/${id}/autocut`)).json()) as {
    cuts: Cuts['plan']['cuts']
  }
  expect(cuts.length).toBeGreaterThan(5)
  // The pixel check against the design itself: all cuts as pictures.
  const plan = { version: 1, built: {}, cuts: cuts.map((c) => ({ ...c, kind: 'picture', alt: 'x' })) }
  expect((await request.put(`/api/jobs/${id}/cuts`, { data: { revision: 0, plan } })).status()).toBe(200)
  const built = await request.post(`/api/jobs/${id}/build`, { data: {}, timeout: 120_000 })
  expect(built.status()).toBe(200)
  const { email, revision } = (await built.json()) as Found & { email: { subject: string } }
  expect(
    (
      await request.put(`/api/jobs/${id}/email`, {
        data: { revision, email: { ...email, subject: 'By script', preheader: 'p' } },
      })
    ).status(),
  ).toBe(200)
  const html = await request.get(`/api/jobs/${id}/html`)
  expect(html.headers()['content-security-policy']).toContain('sandbox')
  expect(await html.text()).toBe(await (await request.get(`/api/jobs/${id}/html`)).text())
  expect(await (await request.get(`/api/jobs/${id}/text`)).text()).toContain('x')
  expect(
    (
      (await (await request.get(`/api/jobs/${id}/findings`)).json()) as { findings: { check: string }[] }
    ).findings.map((f) => f.check),
  ).toContain('unsubscribe-missing')
  for (const [kind, start] of [
    ['zip', 'PK'],
    ['eml', 'From:'],
  ] as const) {
    const path = `/api/jobs/${id}/${kind}`
    // Looking changes nothing; what is handed over is kept in the list.
    const [looked, given] = await Promise.all([
      (await request.get(path)).body(),
      (await request.post(path)).body(),
    ])
    expect([looked, given].map((b) => b.subarray(0, start.length).toString())).toEqual([start, start])
  }
  // The same key twice is one message.
  const send = () =>
    request.post(`/api/jobs/${id}/test-send`, {
      data: { to: 'me@studio.example' },
      headers: { 'idempotency-key': `once-${id}` },
    })
  const [first, again] = [await send(), await send()]
  expect([first.status(), await again.json()]).toEqual([200, await first.json()])
  const inbox = (await (await request.get('/api/standins/inbox/messages')).json()) as {
    messages: { id: string }[]
  }
  const { messageId } = (await first.json()) as { messageId: string }
  const arrived = await Promise.all(
    inbox.messages.map(async (m) => (await request.get(`/api/standins/inbox/messages/${m.id}`)).text()),
  )
  expect(arrived.filter((m) => m.includes(messageId))).toHaveLength(1)
  const { deliveries } = (await (await request.get(`/api/jobs/${id}/deliveries`)).json()) as {
    deliveries: { destination: string; state: string }[]
  }
  expect(deliveries.map((d) => `${d.destination} ${d.state}`).sort()).toEqual([
    'eml done',
    'test-send done',
    'zip done',
  ])
})

test('the demo design, all cut as pictures and shown at 600 px, is the design: SSIM 0.98 or better', async ({
  page,
  request,
}) => {
  for (const name of ['Eclipse night', 'Winter timetable']) {
    const { plan } = (await (
      await request.get(`/api/jobs/${await jobId(request, name)}/cuts`)
    ).json()) as Cuts
    // A new job of the same design, so that nothing composed by hand is carried over.
    const id = await newJob(
      request,
      name === 'Eclipse night' ? 'orrery-point-eclipse-night' : 'halden-night-rail-timetable',
    )
    await request.put(`/api/jobs/${id}/cuts`, {
      data: { revision: 0, plan: { version: 1, built: {}, cuts: allPictures(plan.cuts as never) } },
    })
    expect((await request.post(`/api/jobs/${id}/build`, { data: {}, timeout: 120_000 })).status()).toBe(200)
    const { design } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
      design: { id: string; width: number; height: number }
    }
    await page.setViewportSize({ width: 600, height: Math.round(design.height / 2) })
    await page.goto(`/api/jobs/${id}/html`)
    await quiet(page)
    const raw = (b: Buffer, height: number) =>
      sharp(b).extract({ left: 0, top: 0, width: 600, height }).ensureAlpha().raw().toBuffer()
    const height = Math.round(design.height / 2)
    const shot = await page.screenshot({ clip: { x: 0, y: 0, width: 600, height } })
    const truth = await sharp(await (await request.get(`/api/pictures/${design.id}`)).body())
      .resize(600, height, { kernel: 'lanczos3' })
      .png()
      .toBuffer()
    const view = (data: Buffer) => ({ data: new Uint8ClampedArray(data), width: 600, height })
    const likeness = ssim(view(await raw(shot, height)), view(await raw(truth, height))).mssim
    console.log(`${name}: SSIM ${likeness.toFixed(4)}`)
    expect(likeness, `${name}: ${likeness}`).toBeGreaterThanOrEqual(0.98)
  }
})

for (const width of [320, 375, 480, 600, 900]) {
  test(`no email scrolls sideways at ${width} px, and columns stand as asked`, async ({ page, request }) => {
    await page.setViewportSize({ width, height: 800 })
    for (const name of ['Eclipse night', 'Winter timetable']) {
      await page.goto(`/api/jobs/${await jobId(request, name)}/html?fields=sample`)
      await page.waitForLoadState('load')
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(width)
      if (name !== 'Eclipse night') continue
      const [a, b] = await page
        .locator('img[alt*="ridge"], img[alt*="Benches"]')
        .evaluateAll((els) => els.map((e) => e.getBoundingClientRect().toJSON() as DOMRect))
      if (width <= 480) expect(b!.top).toBeGreaterThanOrEqual(a!.bottom)
      else {
        expect(b!.top).toBeCloseTo(a!.top, 0)
        expect(b!.left).toBeGreaterThanOrEqual(a!.right)
        expect(a!.width).toBeCloseTo(250, 0)
      }
    }
  })
}

test('bad input gets a clear message, and the app goes on', async ({ request }) => {
  const id = await jobId(request, 'Winter timetable')
  const clientId = ((await (await request.get('/api/clients')).json()) as { clients: { id: string }[] })
    .clients[0]!.id
  const upload = (buffer: Buffer, name = 'd.png') =>
    request.post('/api/jobs', {
      multipart: { clientId, name: 'Bad', width: '600', design: { name, mimeType: 'image/png', buffer } },
    })
  const png = readFileSync('demo/designs/halden-night-rail-timetable.png')
  const email = (await (await request.get(`/api/jobs/${id}/email`)).json()) as Found
  const tries: [string, Promise<APIResponse>, number, RegExp][] = [
    ['empty file', upload(Buffer.alloc(0)), 415, /empty/],
    ['text named .png', upload(Buffer.from('not a picture')), 415, /not a PNG, JPEG, WebP, AVIF, SVG or PDF/],
    ['truncated PNG', upload(png.subarray(0, 90_000)), 415, /breaks off/],
    [
      'no file',
      request.put(`/api/jobs/${id}/design`, { multipart: { role: 'wide' } }),
      400,
      /field "design"/,
    ],
    ['no name', request.post('/api/jobs', { multipart: { clientId } }), 422, /name/],
    [
      'unknown client',
      request.post('/api/jobs', {
        multipart: {
          clientId: 'nobody',
          name: 'x',
          design: { name: 'a.png', mimeType: 'image/png', buffer: png },
        },
      }),
      404,
      /nobody/,
    ],
    ['unknown job', request.get('/api/jobs/nothing/html'), 404, /nothing/],
    [
      'no JSON',
      request.put(`/api/jobs/${id}/email`, {
        data: Buffer.from('{"revision":'),
        headers: { 'content-type': 'application/json' },
      }),
      400,
      /JSON/,
    ],
    [
      'JSON that is no email',
      request.put(`/api/jobs/${id}/email`, { data: { revision: email.revision, email: { bands: 'none' } } }),
      422,
      /email\.width/,
    ],
    [
      'stale revision',
      request.put(`/api/jobs/${id}/email`, { data: { revision: email.revision - 1, email: email.email } }),
      409,
      /Nothing was overwritten/,
    ],
    ['wrong token', request.post(`/api/jobs/${id}/push`, { data: { token: 'wrong' } }), 502, /not known/],
    ['no token', request.post(`/api/jobs/${id}/push`, { data: {} }), 422, /token/],
    [
      'another site',
      request.delete('/api/standins/inbox/messages', { headers: { origin: 'https://evil.example' } }),
      403,
      /Only the pages of Mosaicus/,
    ],
    [
      'no email yet',
      request.get(`/api/jobs/${await jobId(request, 'Sowing letter')}/zip`),
      409,
      /Cut the design/,
    ],
  ]
  for (const [what, answer, status, detail] of tries) {
    const response = await answer
    expect([what, response.status(), response.headers()['content-type']]).toEqual([
      what,
      status,
      'application/problem+json',
    ])
    const problem = (await response.json()) as { type: string; title: string; detail: string; status: number }
    expect(problem).toMatchObject({
      status,
      title: expect.any(String),
      type: expect.stringContaining('/problems/'),
    })
    expect(problem.detail).toMatch(detail)
  }
  // Nothing was broken: the email is as it was, and no job was made.
  expect(await (await request.get(`/api/jobs/${id}/email`)).json()).toEqual(email)
  expect(
    ((await (await request.get('/api/jobs')).json()) as { jobs: { name: string }[] }).jobs.some(
      (j) => j.name === 'Bad',
    ),
  ).toBe(false)
})

test('stand-ins switched to fail fail clearly, and work again when set back', async ({ request }) => {
  const id = await jobId(request, 'Eclipse night')
  const mode = (standin: string, m: string) =>
    request.put(`/api/standins/${standin}/mode`, { data: { mode: m } })
  const push = async () => {
    const r = await request.post(`/api/jobs/${id}/push`, { data: { token: TOKEN }, timeout: 60_000 })
    return [r.status(), ((await r.json()) as { title?: string }).title]
  }
  const send = async () => {
    const r = await request.post(`/api/jobs/${id}/test-send`, { data: { to: 'me@studio.example' } })
    return [r.status(), ((await r.json()) as { detail?: string }).detail ?? ''] as const
  }
  try {
    await mode('platform', 'refuse')
    expect(await push()).toEqual([502, 'The platform refused the template'])
    await mode('platform', 'expire')
    expect(await push()).toEqual([502, 'The platform did not accept the token'])
    await mode('platform', 'mangle')
    expect(await push()).toEqual([502, 'The platform gave an answer that makes no sense'])
    await mode('inbox', 'refuse')
    const [status, detail] = await send()
    expect(status).toBe(502)
    expect(detail).toContain('Mailbox unavailable')
  } finally {
    await mode('platform', 'ok')
    await mode('inbox', 'ok')
  }
  expect((await push())[0]).toBe(200)
  expect((await send())[0]).toBe(200)
})

test('markup that would run script does not, wherever it is shown', async ({ page, request }) => {
  const id = await copyOf(request, 'Eclipse night')
  const { revision, email } = (await (await request.get(`/api/jobs/${id}/email`)).json()) as {
    revision: number
    email: { bands: { cells: { items: { kind: string }[] }[] }[] }
  }
  const evil = JSON.parse(
    JSON.stringify(email)
      .replace(
        /"alt":"A lamplit[^"]*"/,
        '"alt":"\\"><script>top.hit=1</script><img src=x onerror=top.hit=1>"',
      )
      .replace('https://orrery-point.example/ridge-walk', 'javascript:top.hit=1'),
  ) as typeof email
  expect((await request.put(`/api/jobs/${id}/email`, { data: { revision, email: evil } })).status()).toBe(200)
  const html = await (await request.get(`/api/jobs/${id}/html`)).text()
  await page.goto(`/jobs/${id}?stage=compose`)
  const found = await page.evaluate(
    (h) =>
      [
        ...new DOMParser()
          .parseFromString(h, 'text/html')
          .querySelectorAll('script, [onerror], [href^="javascript" i]'),
      ].map((e) => e.outerHTML),
    html,
  )
  expect(found).toEqual([])
  await expect(page.locator('[data-lens=Wide]')).toBeVisible()
  await page.waitForTimeout(500)
  expect(await page.evaluate(() => (window as { hit?: number }).hit)).toBeUndefined()
})

/** The emails of the demo. */
const DEMO = new Set(['Winter timetable', 'Eclipse night', 'How to sow a row', 'Choose a berth'])

test('the HTML of every demo email has no error, in every form of output (html-validate; the Nu checker where Java is found)', async ({
  request,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'demo-'))
  const validator = new HtmlValidate({
    root: true,
    extends: ['html-validate:standard'],
    rules: { 'no-deprecated-attr': 'off', 'no-inline-style': 'off' },
  })
  try {
    let written = 0
    const { jobs } = (await (await request.get('/api/jobs')).json()) as {
      jobs: { name: string; emailRevision: number }[]
    }
    const demo = jobs.filter((j) => j.emailRevision && DEMO.has(j.name)).map((j) => j.name)
    expect(demo).toHaveLength(DEMO.size)
    for (const name of demo)
      for (const query of ['', '?styles=inline', '?styles=head', '?print=readable', '?fields=sample']) {
        const html = await (await request.get(`/api/jobs/${await jobId(request, name)}/html${query}`)).text()
        expect(html).toMatch(/<\/html>\s*$/)
        const report = await validator.validateString(html)
        expect(
          report.results
            .flatMap((r) => r.messages)
            .filter((m) => m.severity === 2)
            .map((m) => `${name}${query} ${m.ruleId}: ${m.message} (${m.line})`),
        ).toEqual([])
        writeFileSync(join(folder, `${written++}.html`), html)
      }
    test.skip(spawnSync('java', ['-version']).status !== 0, 'the Nu checker needs Java, which is not here')
    const run = spawnSync(
      'java',
      [
        '-Xss4m',
        '-jar',
        createRequire(import.meta.url)('vnu-jar') as string,
        '--errors-only',
        '--format',
        'json',
        folder,
      ],
      { encoding: 'utf8', maxBuffer: 1 << 28 },
    )
    const { messages } = JSON.parse(run.stderr || '{"messages":[]}') as {
      messages: { type: string; message: string; extract?: string }[]
    }
    expect(messages.filter((m) => m.type === 'error').map((m) => `${m.message} ${m.extract ?? ''}`)).toEqual(
      [],
    )
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('the AMP part of every demo email passes the official validator', async ({ request }) => {
  for (const name of ['Winter timetable', 'Eclipse night', 'How to sow a row', 'Choose a berth']) {
    const id = await copyOf(request, name)
    const { email, revision } = (await (await request.get(`/api/jobs/${id}/email`)).json()) as {
      email: object
      revision: number
    }
    const amp = { way: 'made', html: '' }
    const put = await request.put(`/api/jobs/${id}/email`, { data: { revision, email: { ...email, amp } } })
    expect(put.ok(), name).toBe(true)
    const html = await (await request.get(`/api/jobs/${id}/amp?fields=sample`)).text()
    const said = (await (await request.post('/api/amp/check', { data: { html } })).json()) as {
      pass: boolean
      messages: { message: string }[]
    }
    expect(said.messages.map((m) => `${name}: ${m.message}`)).toEqual([])
    expect(said.pass).toBe(true)
  }
})
