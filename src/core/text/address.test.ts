import { isAddress, mailboxOf } from './address'

// RFC 5322, 3.4.1 and RFC 5321, 4.5.3.1.
test.each([
  ['name@example.org', true],
  ["o'neil+walks@mail.example.org", true],
  [`${'x'.repeat(64)}@example.org`, true],
  [`${'x'.repeat(65)}@example.org`, false],
  [`x@${'y'.repeat(63)}.org`, true],
  [`x@${'y'.repeat(64)}.org`, false],
  [`x@${'yyyyyyy.'.repeat(31)}orgs`, true],
  [`x@${'yyyyyyy.'.repeat(31)}orgss`, false],
  ['a,b@c.example', false],
  ['a b@c.example', false],
  ['.a@c.example', false],
  ['a.@c.example', false],
  ['a..b@c.example', false],
  ['@c.example', false],
  ['a@localhost', false],
  ['a@-c.example', false],
  ['a@c-.example', false],
  ['a@c..example', false],
  ['ä@c.example', false],
  ['a@münchen.example', false],
  ['a@b@c.example', false],
  ['', false],
])('%s is an address: %s', (text, is) => expect(isAddress(text)).toBe(is))

test.each([
  [' name@example.org ', { name: '', address: 'name@example.org' }],
  ['Ana Ruiz <ana@example.org>', { name: 'Ana Ruiz', address: 'ana@example.org' }],
  ['"Ruiz, Ana" <ana@example.org>', { name: 'Ruiz, Ana', address: 'ana@example.org' }],
  ['<ana@example.org>', { name: '', address: 'ana@example.org' }],
  ['Ana\r\nBcc: x@y.example <ana@example.org>', null],
  ['Ana <x> <ana@example.org>', null],
  ['Ana <ana>', null],
  ['ana@example.org>', null],
])('%j is read', (text, mailbox) => expect(mailboxOf(text)).toEqual(mailbox))
