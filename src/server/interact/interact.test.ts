import { simpleParser } from 'mailparser'
import { longEmail, house } from '@/test-support/emails'
import { ownData } from '@/test-support/server'
import { tileOf } from '@/test-support/tiles'
import { applyEdit } from '@/core/email/edits'
import { write } from '../destinations/written'
import { built } from '../destinations/mail'
import { lintCode } from './lint'
import { readersOfParts } from './readers'
import { checkAmp } from './validator'
import { ask } from './ask'

ownData()

test('the validator says what, where and why, and which press mends it', async () => {
  const { pass, messages } = await checkAmp(
    '<!doctype html>\n<html amp4email data-css-strict><head><meta charset="utf-8"><script async src="https://cdn.ampproject.org/v0.js"></script><style amp4email-boilerplate>body{visibility:hidden}</style></head>\n<body><img src="https://a.example/a.png"></body></html>',
  )
  expect(pass).toBe(false)
  expect(messages).toMatchObject([{ severity: 'ERROR', line: 3, mend: 'img' }])
  expect(messages[0]!.why).toContain('amp-img')
})

test('code is looked at line by line: what is wrong, and what readers do not know', async () => {
  const notes = await lintCode({ html: '<p>a</p>\n<img src="x.png">\n<p style="position:sticky">b', css: '' })
  expect(notes.find((n) => n.message === 'wcag/h37')).toMatchObject({
    of: 'html',
    line: 2,
    severity: 'ERROR',
  })
  expect(notes.find((n) => n.message.startsWith('position'))).toMatchObject({ of: 'html', line: 3 })
  expect(await lintCode({ html: '<p>a</p>', css: '' })).toEqual([])
  // Attributes that pages gave up are what email is made of.
  expect(
    await lintCode({
      html: '<table role="presentation" align="center" bgcolor="#ffffff"><tr><td>a</td></tr></table>',
      css: '',
    }),
  ).toEqual([])
})

test('the open data names every major reader, with a mark for each need', () => {
  const { at, readers } = readersOfParts()
  expect(at).toMatch(/^\d{4}-\d\d-\d\d/)
  expect(readers).toHaveLength(11)
  for (const r of readers)
    expect([r.amp, r.checked, r.hover, r.form].every((m) => 'yanu'.includes(m))).toBe(true)
})

test('no answer leaves for elsewhere, and nothing is asked that readers would not ask', async () => {
  const question = { method: 'POST' as const, fields: [], sender: 'a@b.example', version: 2 as const }
  expect((await ask({ ...question, url: 'https://elsewhere.example/take' })).refused.join()).toMatch(
    /stand-in alone/,
  )
  expect((await ask({ ...question, url: 'http://answers.mosaicus.example/x' })).refused.join()).toMatch(
    /https/,
  )
  await expect(ask({ ...question, method: 'GET', url: 'https://127.0.0.1/list' })).rejects.toThrow()
})

describe('the message', () => {
  const email = {
    ...applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: tileOf('quiz') } }),
    subject: 'S',
  }
  const how = { writing: 'message', places: 'message', message: 'm' } as const

  test('has three parts, the AMP part between text and HTML (AMP for Email, "Structure and rendering")', async () => {
    const { html, text, amp } = write(email, house, how)
    const raw = await built({
      from: { name: 'A', address: 'a@b.example' },
      to: { name: 'C', address: 'c@d.example' },
      subject: 'S',
      html,
      amp,
      text,
      attachments: [],
      headers: {},
      encoding: 'quoted-printable',
      newline: 'windows',
    })
    const types = [...raw.toString('latin1').matchAll(/^content-type: (text\/[\w-]+)/gim)].map((m) => m[1])
    expect(types).toEqual(['text/plain', 'text/x-amp-html', 'text/html'])
    const read = await simpleParser(raw)
    expect(read.attachments.map((a) => a.contentType)).toEqual(['text/x-amp-html'])
    expect(read.attachments[0]!.content.toString().replace(/\r\n/g, '\n').trim()).toBe(amp.trim())
    expect((await checkAmp(amp)).messages).toEqual([])
  })

  test('has no AMP part where nobody answers, or where it is switched off', () => {
    expect(write(longEmail(1), house, how).amp).toBe('')
    expect(write({ ...email, amp: { way: 'none', html: '' } }, house, how).amp).toBe('')
  })

  test('by hand it leaves as it is written, but for its fields', () => {
    const html =
      '<!doctype html><html amp4email><body>[[given_name | friend]] <a href="[[unsubscribe]]">x</a></body></html>'
    expect(write({ ...email, amp: { way: 'hand', html } }, house, how).amp).toBe(
      '<!doctype html><html amp4email><body>friend <a href="https://unsubscribe.example/">x</a></body></html>',
    )
    expect(
      write({ ...email, amp: { way: 'hand', html } }, house, { writing: 'platform', places: 'folder' }).amp,
    ).toContain('{:leave_link:}')
  })
})
