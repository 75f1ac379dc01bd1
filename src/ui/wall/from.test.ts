import { isChosen, isEmailFile } from './from'

test.each([
  ['news.html', '', true],
  ['News.HTM', '', true],
  ['all.zip', 'application/zip', true],
  ['sent.eml', 'message/rfc822', true],
  ['', 'text/html', true],
  ['', 'application/x-zip-compressed', true],
  ['design.png', 'image/png', false],
  ['design.svg', 'image/svg+xml', false],
  ['design.pdf', 'application/pdf', false],
  ['html.psd', '', false],
])('a file "%s" of type "%s" is an email: %s', (name, type, is) =>
  expect(isEmailFile({ name, type })).toBe(is),
)

test('a beginning needs what it is made of', () => {
  expect(isChosen({ begin: 'nothing' })).toBe(true)
  expect(isChosen({ begin: 'design' })).toBe(true)
  expect(isChosen({ begin: 'starter' })).toBe(false)
  expect(isChosen({ begin: 'starter', layout: 'ticket' })).toBe(true)
  expect(isChosen({ begin: 'shelf' })).toBe(false)
  expect(isChosen({ begin: 'elsewhere', source: '  ' })).toBe(false)
  expect(isChosen({ begin: 'elsewhere', address: 'https://a.example/' })).toBe(true)
})
