import { expect, test, type APIRequestContext, type Browser, type Page } from '@playwright/test'
import fc from 'fast-check'
import { simpleParser } from 'mailparser'
import { compile } from '@/core/compile'
import { stillOf } from '@/core/interact/still'
import { plainHouseStyle } from '@/core/email/styles'
import { applyEdit } from '@/core/email/edits'
import type { Tile, TileKind, TileOf } from '@/core/email/tile'
import { definitionOf } from '@/core/tiles'
import { longEmail } from '@/test-support/emails'
import { interactiveKinds, interactiveOf } from '@/test-support/interactive'
import { picture, tileOf } from '@/test-support/tiles'
import { accessible, copyOf, saved } from './support'

const PIXEL = 'data:image/gif;base64,R0lGODlhAQABAAAAACH5BAEKAAEALAAAAAABAAEAAAICTAEAOw=='

/** An email of one tile, as it leaves. */
const written = (tile: Tile): string =>
  compile(
    applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } }),
    plainHouseStyle(),
    { src: () => PIXEL },
  )

/** A page in which no script runs, as in a mail program. */
async function reader(browser: Browser, html: string): Promise<Page> {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage()
  await page.setContent(html)
  return page
}

const shows = { picture, alt: 'A picture' }
const tile = <K extends TileKind>(kind: K, set: Partial<TileOf<K>>) => tileOf(kind, set) as Tile
const panel = (title: string, text: string) => ({ title, text, label: '', link: '' })
const option = (name: string) => ({ name, color: '#123456', shows, price: '', link: '' })

/** Tiles with what is pressed in them, and what is seen then. */
const pressed: [name: string, tile: Tile, steps: [label: string, seen: string][]][] = [
  [
    'titles that open',
    tile('panels', {
      as: 'reveal',
      one: true,
      open: null,
      panels: [panel('One', 'Said first'), panel('Two', 'Said then')],
    }),
    [
      ['One', 'Said first'],
      ['Two', 'Said then'],
    ],
  ],
  [
    'tabs',
    tile('panels', {
      as: 'tabs',
      one: true,
      open: 0,
      panels: [panel('One', 'Said first'), panel('Two', 'Said then')],
    }),
    [
      ['Two', 'Said then'],
      ['One', 'Said first'],
    ],
  ],
  [
    'a row of pictures',
    tile('carousel', {
      slides: [
        { shows: { picture, alt: 'First' }, caption: 'Beneath the first', link: '' },
        { shows: { picture, alt: 'Second' }, caption: 'Beneath the second', link: '' },
      ],
    }),
    [
      ['Second', 'Beneath the second'],
      ['First', 'Beneath the first'],
    ],
  ],
  [
    'places on a picture',
    tile('spots', {
      shows,
      hint: '',
      spots: [
        { x: 0.2, y: 0.4, title: 'Door', text: 'It opens', link: '' },
        { x: 0.8, y: 0.6, title: 'Window', text: 'It shuts', link: '' },
      ],
    }),
    [
      ['1', 'It opens'],
      ['2', 'It shuts'],
    ],
  ],
  [
    'a quiz',
    tile('quiz', {
      questions: [
        { ask: 'Which?', options: ['Wrong one', 'Right one'], right: 1, why: 'So it is' },
        { ask: 'And?', options: ['Good one', 'Bad one'], right: 0, why: 'Thus' },
      ],
      results: [
        { from: 0, title: 'None was right', text: '' },
        { from: 1, title: 'One was right', text: '' },
        { from: 2, title: 'All were right', text: '' },
      ],
    }),
    [
      ['Wrong one', 'None was right'],
      ['Right one', 'One was right'],
      ['Good one', 'All were right'],
    ],
  ],
  [
    'swatches',
    tile('swatches', { title: '', options: [option('Red'), option('Blue')], label: '' }),
    [
      ['Blue', 'Blue'],
      ['Red', 'Red'],
    ],
  ],
]

const live = (page: Page) => page.locator('.ix-live')

for (const [name, made, steps] of pressed) {
  test(`${name}: every state is reached by mouse and by keyboard where no script runs`, async ({
    browser,
  }) => {
    const page = await reader(browser, written(made))
    await expect(page.locator('.ix-still')).toBeHidden()
    const label = (words: string) =>
      live(page)
        .locator('label')
        .filter({ hasText: words })
        .or(live(page).locator(`label:has(img[alt="${words}"])`))
        .first()
    const seen = (words: string) => live(page).locator('p:visible').filter({ hasText: words }).first()
    for (const [press, then] of steps) {
      await label(press).click()
      await expect(seen(then)).toBeVisible()
    }
    await page.setContent(written(made))
    // By keyboard: the input that the label stands for has the focus, and Space chooses it.
    for (const [press, then] of steps) {
      const id = await label(press).getAttribute('for')
      await page.locator(`[id="${id}"]`).focus()
      await page.keyboard.press('Space')
      await expect(page.locator(`[id="${id}"]`)).toBeChecked()
      await expect(seen(then)).toBeVisible()
    }
    await page.context().close()
  })
}

test('a picture gives way to another by pointer, by press, by keys, and piece by piece', async ({
  browser,
}) => {
  const swap = (how: 'hover' | 'press' | 'uncover') =>
    tile('swap', { how, first: shows, second: { picture, alt: 'After' }, hint: '', link: '' })
  const top = (page: Page) => live(page).locator('.ix-top')
  const hover = await reader(browser, written(swap('hover')))
  await live(hover).locator('label').hover()
  await expect(top(hover)).toHaveCSS('opacity', '0')
  const press = await reader(browser, written(swap('press')))
  await live(press).locator('label').click()
  await expect(top(press)).toHaveCSS('opacity', '0')
  await press.keyboard.press('Space')
  await expect(top(press)).toHaveCSS('opacity', '1')
  const uncover = await reader(browser, written(swap('uncover')))
  const pieces = live(uncover).locator('label')
  await expect(pieces).toHaveCount(8)
  for (let i = 0; i < 8; i++) await pieces.nth(i).click()
  await expect(live(uncover).locator('label:visible')).toHaveCount(0)
  for (const page of [hover, press, uncover]) await page.context().close()
})

test('a rating shines up to the chosen star, and a form is filled in, where no script runs', async ({
  browser,
}) => {
  const target = { action: 'https://a.example/take', page: 'https://a.example/answer' }
  const rating = await reader(browser, written(tile('rating', { question: 'How?', target })))
  const stars = live(rating).locator('label')
  const first = await stars.nth(0).evaluate((e) => getComputedStyle(e).color)
  await stars.nth(2).click()
  const colors = await stars.evaluateAll((all) => all.map((e) => getComputedStyle(e).color))
  expect(colors.slice(0, 3).every((c) => c !== first && c === colors[0])).toBe(true)
  expect(colors.slice(3)).toEqual([first, first])
  const asked = {
    kind: 'choice' as const,
    name: 'a',
    label: 'Which?',
    required: true,
    options: ['This', 'That'],
  }
  const text = { kind: 'text' as const, name: 'b', label: 'Say', required: true, options: [] }
  const form = await reader(browser, written(tile('form', { asked: [asked, text], target })))
  await live(form).getByLabel('That').check()
  await live(form).getByLabel('Say').fill('words')
  const sends = live(form).locator('form')
  await expect(sends).toHaveAttribute('action', target.action)
  expect(await sends.evaluate((f: HTMLFormElement) => f.checkValidity())).toBe(true)
  for (const page of [rating, form]) await page.context().close()
})

test('the static version carries every word that is asked or told, and a link, and no part that answers', async ({
  browser,
}) => {
  for (const kind of interactiveKinds)
    for (const made of fc.sample(interactiveOf(kind), { numRuns: 4, seed: 9 })) {
      const whole = JSON.parse(
        JSON.stringify({ ...made, show: 'all' }).replaceAll('"link":""', '"link":"https://a.example/"'),
      ) as Tile
      const page = await reader(browser, stillOf(written(whole)))
      await expect(page.locator('.ix-live:visible, input:visible')).toHaveCount(0)
      const seen = await page.evaluate(() => {
        const alts = [...document.querySelectorAll('img')].map((i) => i.alt)
        return `${document.body.innerText}\n${alts.join('\n')}`.replace(/\s+/g, ' ')
      })
      const spoken = 'sayings' in made ? Object.values(made.sayings as object) : []
      const left = definitionOf(made)
        .words(made)
        // What a form says once it was sent, and what to press, have no place where nothing is sent or pressed.
        .filter((w) => !spoken.includes(w) && !('hint' in made && w === made.hint))
        .filter((w) => !('asked' in made && (made.asked as { title?: string }[]).some((a) => a.title === w)))
        .filter((w) => !seen.includes(w.replace(/\s+/g, ' ')))
      expect(left, kind).toEqual([])
      const links = definitionOf(made)
        .links(made)
        .filter((l) => l.href.trim())
      if (links.length) expect(await page.locator('a[href]:visible').count(), kind).toBeGreaterThan(0)
      await page.context().close()
    }
})

async function open(page: Page, job: string): Promise<void> {
  await page.goto(`/jobs/${job}?stage=interact`)
  await expect(amp(page).locator('body')).toContainText('A berth for the winter')
  await expect(page.getByText('Passes the official validator')).toBeVisible()
}
const amp = (page: Page) => page.frameLocator('iframe[title="The message, AMP"]')
const behave = (request: APIRequestContext, mode: string) =>
  request.put('/api/standins/answers/mode', { data: { mode } })
const happened = (page: Page) =>
  page.locator('section', { has: page.getByRole('heading', { name: 'What happened' }) }).last()

test('an answer is sent in the lens, arrives, is counted, and every reason to refuse it is said', async ({
  page,
  request,
}) => {
  await open(page, await copyOf(request, 'Choose a berth'))
  const poll = amp(page).locator('form').nth(1)
  const before = ((await (await request.get('/api/answers/next-stop')).json()) as { total: number }).total
  await poll.getByRole('button', { name: 'Send' }).click()
  await expect(happened(page)).toContainText('not filled in')
  try {
    for (const [mode, said] of [
      ['headers', 'AMP-Email-Allow-Sender is missing'],
      ['other', 'the sender is hello@'],
      ['redirect', 'redirect (302)'],
      ['mangle', 'JSON only'],
    ] as const) {
      await behave(request, mode)
      await poll.getByText('Skerry Bridge').click()
      await poll.getByRole('button', { name: 'Send' }).click()
      await expect(happened(page)).toContainText(said)
      await expect(poll).toContainText('That did not arrive')
    }
  } finally {
    await behave(request, 'ok')
  }
  await poll.getByRole('button', { name: 'Send' }).click()
  await expect(poll).toContainText(/Skerry Bridge: \d+ \(\d+ %\)/)
  const after = (await (await request.get('/api/answers/next-stop')).json()) as { total: number }
  // Those of other senders and without headers arrived too: the reader refused only what came back.
  expect(after.total).toBeGreaterThan(before)
  await page.getByRole('radio', { name: 'Origin and __amp_source_origin' }).click()
  await amp(page).locator('form').first().locator('[option="5"]').click()
  await amp(page).locator('form').first().getByRole('button', { name: 'Send' }).click()
  await expect(amp(page).locator('form').first()).toContainText('Thank you')
  await expect(page.getByRole('img', { name: /^rating: 5 \d+/ })).toBeVisible()
  const csv = await (await request.get('/api/answers/next-stop/export?as=csv')).text()
  expect(csv.split('\r\n')[0]).toBe('at,sender,stop')
})

test('parts answer in the lens as their documentation has it: panels, swatches, what is pressed, a fetched list', async ({
  page,
  request,
}) => {
  await open(page, await copyOf(request, 'Choose a berth'))
  const frame = amp(page)
  // amp-accordion with expand-single-section: opening one closes the other.
  await frame.getByRole('button', { name: 'May I bring a bicycle?' }).click()
  await expect(frame.getByText('in the van behind the engine')).toBeVisible()
  await frame.getByRole('button', { name: 'What is for breakfast?' }).press('Enter')
  await expect(frame.getByText('Rye bread')).toBeVisible()
  await expect(frame.getByText('in the van behind the engine')).toBeHidden()
  // amp-selector and amp-bind.
  await frame.locator('[option="2"]').first().press('Space')
  await expect(frame.getByText('Sleeper for two, 118')).toBeVisible()
  await expect(frame.getByText('Reclining seat, 39')).toBeHidden()
  // amp-list.
  await expect(frame.locator('amp-list [data-filled]').getByText('22:15 to Norrvik, from 34')).toBeVisible()
  await expect(happened(page)).toContainText('lists/trains: 200, taken')
})

test('the lenses go together, band by band, though each is as high as its own version', async ({
  page,
  request,
}) => {
  await open(page, await copyOf(request, 'Choose a berth'))
  await expect(amp(page).getByRole('button', { name: 'What is for breakfast?' })).toBeVisible()
  const of = (name: string) => page.getByRole('region', { name: `${name}, scrolled` })
  // Each lens says which band stands a third down its view.
  const bandIn = (name: string) =>
    of(name).evaluate((scroller) => {
      const frame = scroller.querySelector('iframe')!
      const zoom = frame.getBoundingClientRect().width / frame.clientWidth
      const y = (scroller.scrollTop + scroller.clientHeight * 0.3) / zoom
      const bands = [...frame.contentDocument!.querySelectorAll<HTMLElement>('[data-m]')]
      return bands
        .filter((e) => e.getBoundingClientRect().top <= y && e.getBoundingClientRect().bottom >= y)
        .map((e) => e.dataset.m!.split(' ')[0])[0]
    })
  await of('AMP').evaluate((e) => (e.scrollTop = e.scrollHeight / 2))
  const band = await bandIn('AMP')
  for (const name of ['CSS only', 'Static']) {
    await expect.poll(() => of(name).evaluate((e) => e.scrollTop)).toBeGreaterThan(50)
    await expect.poll(() => bandIn(name)).toBe(band)
  }
})

test('AMP by hand: what the validator says stands at its line, and is mended in a press', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Choose a berth')
  await open(page, job)
  await page.getByRole('radio', { name: 'by hand' }).click()
  const source = page.locator('[aria-label="AMP of the email"]')
  await expect(source).toBeVisible()
  await source.click()
  await page.keyboard.press('Control+a')
  // What is pasted at once brings its script lines.
  await page.keyboard.insertText(
    '<!doctype html>\n<html amp4email data-css-strict><head><meta charset="utf-8"><style amp4email-boilerplate>body{visibility:hidden}</style></head><body>\n<form target="_blank" method="post" action-xhr="https://a.example/x"><img src="https://a.example/a.png" width="2" height="1" alt="a"></form>\n</body></html>',
  )
  await expect(page.getByText('2 to mend')).toBeVisible()
  await expect(
    page
      .getByRole('button', { name: 'Line 7', exact: true })
      .or(page.getByRole('button', { name: /^Line \d+$/ }).first())
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Take the target away' }).click()
  await expect(page.getByText('1 to mend')).toBeVisible()
  await page.getByRole('button', { name: 'Make it amp-img' }).click()
  await expect(page.getByText('Passes the official validator')).toBeVisible()
  await saved(page)
  const { email } = (await (await request.get(`/api/jobs/${job}/email`)).json()) as {
    email: { amp: { way: string; html: string } }
  }
  expect(email.amp.html).toContain('custom-element="amp-form"')
  expect(email.amp.html).toContain(
    '<amp-img src="https://a.example/a.png" width="2" height="1" alt="a" layout="intrinsic"></amp-img>',
  )
})

test('a test send carries three parts in their order; the inbox shows the AMP part once it is switched on, and not after 31 days', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Choose a berth')
  const sender = 'night@halden-rail.example'
  await request.put('/api/standins/inbox/dynamic', { data: { sender, on: false } })
  const send = await request.post(`/api/jobs/${job}/test-send`, {
    data: { from: sender, to: 'you@reader.example' },
  })
  expect(send.ok(), await send.text()).toBe(true)
  const { messages } = (await (await request.get('/api/standins/inbox/messages')).json()) as {
    messages: { id: string }[]
  }
  const message = (await (await request.get(`/api/standins/inbox/messages/${messages[0]!.id}`)).json()) as {
    raw: string
    order: string[]
  }
  expect(message.order).toEqual(['text/plain', 'text/x-amp-html', 'text/html'])
  const read = await simpleParser(message.raw)
  expect(read.html).toContain('A berth for the winter')
  expect(read.attachments.find((a) => a.contentType === 'text/x-amp-html')?.content.toString()).toContain(
    'amp-selector',
  )
  await page.goto(`/standins/inbox?message=${messages[0]!.id}`)
  const mail = page.getByRole('region', { name: 'Dynamic mail' })
  await expect(mail).toContainText('not switched on for this sender')
  await mail.getByRole('button', { name: /Dynamic mail from/ }).click()
  const shown = page.frameLocator('iframe[title="The message, Interactive"]')
  await expect(shown.locator('amp-selector').first()).toBeVisible()
  await page.getByRole('radio', { name: 'in 32 days' }).click()
  await expect(mail).toContainText('32 days ago')
  await accessible(page)
})

test('a push gives the platform the AMP part beside the HTML, and the official validator passes what leaves it', async ({
  request,
}) => {
  const job = await copyOf(request, 'Choose a berth')
  const pushed = await request.post(`/api/jobs/${job}/push`, {
    data: { token: 'standin-7f3a-open-sesame' },
    timeout: 60_000,
  })
  const { id } = (await pushed.json()) as { id: string }
  const { templates } = (await (await request.get('/api/standins/platform/templates')).json()) as {
    templates: { id: string; html: string; amp: string }[]
  }
  const { html, amp } = templates.find((t) => t.id === id)!
  expect(html).toContain('{:leave_link:}')
  expect(amp).toContain('{:leave_link:}')
  // As it leaves the platform, which puts in what each recipient's fields hold.
  const sent = amp
    .replaceAll('{:leave_link:}', 'https://halden-rail.example/leave')
    .replace(/\{:[^{}]*:\}/g, 'Ada')
  const checked = await request.post('/api/amp/check', { data: { html: sent } })
  expect(await checked.json()).toMatchObject({ pass: true })
})

test('code is looked at as it is written, tried, and has versions of its own', async ({ page, request }) => {
  const job = await copyOf(request, 'Choose a berth')
  await page.goto(`/jobs/${job}?stage=compose`)
  const frame = page.frameLocator('iframe[title^="The email, Wide"]')
  await frame.getByText('A berth for the winter').first().click()
  await page.getByRole('button', { name: 'Other tile' }).click()
  await page.getByRole('menuitem', { name: 'Code' }).click()
  await page.getByRole('button', { name: 'Edit the code' }).click()
  const dialog = page.getByRole('dialog')
  const field = dialog.getByRole('textbox', { name: 'HTML' })
  await field.click()
  await page.keyboard.press('Control+a')
  await page.keyboard.insertText('<div style="display:flex"><p>Tried here</div>')
  const notes = dialog.getByRole('list', { name: 'What is said of the code' })
  await expect(notes).toContainText('Line 1')
  await expect(notes).toContainText('display:flex')
  await expect(
    page.frameLocator('iframe[title="The code, to be tried"]').getByText('Tried here'),
  ).toBeVisible()
  await dialog.getByRole('combobox', { name: 'Put a snippet in' }).selectOption('Badge')
  await expect(page.frameLocator('iframe[title="The code, to be tried"]').getByText('New')).toBeVisible()
  await dialog.getByRole('button', { name: 'AMP version' }).click()
  await dialog.getByRole('textbox', { name: 'AMP version' }).click()
  await page.keyboard.insertText('<p>Only in AMP</p>')
  await accessible(page)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Interact' }).click()
  await expect(amp(page).getByText('Only in AMP')).toBeVisible()
  await expect(amp(page).getByText('Tried here')).toHaveCount(0)
})

for (const theme of ['plaster', 'slate'])
  test(`Interact, its tiles and the answers pass axe in ${theme}`, async ({ page, request }) => {
    await page.addInitScript((t) => localStorage.setItem('mosaicus:theme', t), theme)
    const job = await copyOf(request, 'Choose a berth')
    await open(page, job)
    await accessible(page)
    await page.goto('/standins/answers')
    await accessible(page)
    await page.goto(`/jobs/${job}?stage=compose`)
    const frame = page.frameLocator('iframe[title^="The email, Wide"]')
    for (const words of [
      'How would you like to lie?',
      'Where should the train stop',
      'May I bring a bicycle?',
      'How did you sleep?',
    ]) {
      await frame.getByText(words).first().click()
      await expect(page.getByRole('region', { name: 'Values' })).toContainText('Accent')
      await accessible(page)
    }
  })
