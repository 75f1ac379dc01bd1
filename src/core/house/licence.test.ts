import { openLicence } from './licence'

const terms = { licence: '', licenceAddress: '', restricted: false }

test('a font may be taken where it names an open licence, in words or by its address', () => {
  expect(openLicence({ ...terms, licenceAddress: 'https://scripts.sil.org/OFL' })).toBe(
    'SIL Open Font License',
  )
  expect(openLicence({ ...terms, licence: 'Licensed under the Apache License, Version 2.0' })).toBe(
    'Apache License 2.0',
  )
})

test.each([
  ['nothing said', terms],
  ['a licence of its maker', { ...terms, licence: 'Licensed to one customer for desktop use.' }],
  // OS/2 fsType, bit 1: restricted licence embedding.
  ['embedding forbidden', { ...terms, licenceAddress: 'https://scripts.sil.org/OFL', restricted: true }],
])('%s: it may not', (_, said) => expect(openLicence(said)).toBeNull())
