import { createTransport } from 'nodemailer'
import { ownData, samplePng } from '@/test-support/server'
import { setMode } from './db'
import { startInbox } from './inbox/smtp'
import { clearMessages, listMessages, readMessage } from './inbox/store'
import { postPicture, postTemplate, withOwnPictures } from './platform/api'
import { listTemplates, pictureOf, TOKEN } from './platform/store'

ownData()
const origin = 'http://127.0.0.1:4310'
const headers = { authorization: `Bearer ${TOKEN}` }
const template = (html: string) =>
  postTemplate(
    new Request(`${origin}/t`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ name: 'n', subject: 's', preheader: '', html, text: 't' }),
    }),
    origin,
  )

test('the platform takes pictures and gives back addresses that serve the same bytes', async () => {
  const png = await samplePng(40, 30)
  const answer = await postPicture(
    new Request(`${origin}/p?name=a.png`, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'image/png' },
      body: new Uint8Array(png),
    }),
    origin,
  )
  const { address } = (await answer.json()) as { address: string }
  expect(pictureOf(address.split('/').pop()!)?.bytes.equals(png)).toBe(true)
  expect(
    (
      await postPicture(
        new Request(`${origin}/p`, {
          method: 'POST',
          headers: { ...headers, 'content-type': 'image/svg+xml' },
          body: '<svg/>',
        }),
        origin,
      )
    ).status,
  ).toBe(415)
})

test('the platform refuses a template without its field for leaving, a wrong token, and half a template', async () => {
  expect(await (await template('<p>hello</p>')).json()).toMatchObject({ error: 'no-unsubscribe' })
  expect((await template('<a href="{:leave_link:}">leave</a>')).status).toBe(201)
  expect(listTemplates()).toHaveLength(1)
  const whole = {
    name: 'n',
    subject: 's',
    preheader: '',
    html: '<a href="{:leave_link:}">leave</a>',
    text: '',
  }
  const sent = (amp: string) =>
    postTemplate(
      new Request(`${origin}/t`, { method: 'POST', headers, body: JSON.stringify({ ...whole, amp }) }),
      origin,
    )
  expect(await (await sent('<html><body>no AMP</body></html>')).json()).toMatchObject({ error: 'template' })
  expect((await sent('<!doctype html><html ⚡4email><head></head></html>')).status).toBe(201)
  expect(listTemplates().filter((t) => t.amp)).toHaveLength(1)
  expect(
    (
      await postTemplate(
        new Request(`${origin}/t`, { method: 'POST', headers: { authorization: 'Bearer no' }, body: '{}' }),
        origin,
      )
    ).status,
  ).toBe(401)
  expect(
    (
      await postTemplate(
        new Request(`${origin}/t`, { method: 'POST', headers, body: '{"name":"n"}' }),
        origin,
      )
    ).status,
  ).toBe(422)
})

test.each([
  ['refuse', 503],
  ['expire', 401],
  ['mangle', 200],
] as const)('switched to %s it answers %d and keeps nothing', async (mode, status) => {
  setMode('platform', mode)
  const before = listTemplates().length
  expect((await template('<a href="{:leave_link:}">leave</a>')).status).toBe(status)
  expect(listTemplates()).toHaveLength(before)
  setMode('platform', 'ok')
})

test('the inbox is a mail server that keeps what arrives, and can refuse (RFC 5321, 550)', async () => {
  const port = 20000 + (process.pid % 20000)
  startInbox(port)
  const transport = createTransport({ host: '127.0.0.1', port, ignoreTLS: true })
  const send = () =>
    transport.sendMail({
      from: 'a@a.example',
      to: 'b@b.example',
      subject: 'Grüße',
      text: 'Hallo',
      html: '<p>Hallo</p>',
    })
  await send()
  const [message] = await listMessages()
  expect(message).toMatchObject({ from: 'a@a.example', to: 'b@b.example', subject: 'Grüße' })
  expect(await readMessage(message!.id)).toMatchObject({ html: '<p>Hallo</p>', text: 'Hallo' })
  expect(await readMessage('nothing')).toBeNull()
  setMode('inbox', 'refuse')
  await expect(send()).rejects.toMatchObject({ responseCode: 550 })
  setMode('inbox', 'ok')
  clearMessages()
  expect(await listMessages()).toEqual([])
  transport.close()
  const { stopInbox } = await import('./inbox/smtp')
  await stopInbox()
})

test('the platform shows its own pictures under whatever name it is called', () => {
  const at = (host: string) => `<img src="${host}/standins/platform/v1/pictures/0af3">`
  for (const host of ['http://127.0.0.1:4310', 'http://[::1]:4310', 'https://bench.example'])
    expect(withOwnPictures(at(host))).toBe(at(''))
  const other = '<img src="https://elsewhere.example/standins/other.png">'
  expect(withOwnPictures(other)).toBe(other)
})
