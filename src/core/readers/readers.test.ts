import { readFileSync } from 'node:fs'
import { emitted, readersDocs, support } from '@/test-support/readers'
import { fallbacks } from './fallbacks'
import { featuresOf } from './features'
import { lacking, majorReaders, supportOf } from './support'

const known = new Set(support.data.map((f) => f.slug))

test('whatever a major reader lacks has a stated fallback, and so has what the data set does not list', () => {
  const names = emitted()
  expect(names.length).toBeGreaterThan(60)
  const missing = names.filter((n) => !fallbacks[n] && (known.has(n) ? lacking(support, n).length > 0 : true))
  expect(missing).toEqual([])
  // Nor is a fallback kept for what is no longer emitted.
  expect(Object.keys(fallbacks).filter((n) => !names.includes(n))).toEqual([])
})

test('docs/readers.md is as the compiler is (npm run readers-docs)', () =>
  expect(readFileSync('docs/readers.md', 'utf8')).toBe(readersDocs()))

test('the newest tested version counts', () => {
  const data = {
    last_update_date: '',
    data: [
      { slug: 'x', title: '', url: '', stats: { gmail: { ios: { '2019-01': 'n', '2022-01': 'a #1' } } } },
    ],
  }
  expect(supportOf(data, 'x', { family: 'gmail', platform: 'ios' })).toBe('a')
  expect(supportOf(data, 'x', { family: 'gmail', platform: 'android' })).toBe('u')
  // Known of the data set: the Word engine draws no round corners, Apple's reader does.
  expect(supportOf(support, 'css-border-radius', { family: 'outlook', platform: 'windows' })).toBe('n')
  expect(supportOf(support, 'css-border-radius', { family: 'apple-mail', platform: 'ios' })).toBe('y')
  for (const r of majorReaders) expect(support.data[0]!.stats[r.family]?.[r.platform]).toBeDefined()
})

test('features are found in elements, attributes, styles and the sheet', () => {
  const found = featuresOf(
    '<html><head><style>@media (max-width:9px){.a{display:flex!important}}</style></head><body><table cellpadding="0" role="presentation"><tr><td valign="top" style="border-top:1px solid red;width:min(1px,2%)">x</td></tr></table></body></html>',
    (s) => known.has(s),
  )
  for (const name of [
    'css-at-media',
    'css-display-flex',
    'css-important',
    'css-selector-class',
    'html-cellpadding',
    'html-role',
    'html-valign',
    'css-border',
    'css-function-min',
    'css-unit-percent',
    'html-table',
  ])
    expect(found).toContain(name)
})
