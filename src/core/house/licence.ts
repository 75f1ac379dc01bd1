/** What a font file says of how it may be used (OpenType 1.9, name table, ids 13 and 14; OS/2 table, fsType). */
export interface FontTerms {
  licence: string
  licenceAddress: string
  /** Whether its maker forbids embedding. */
  restricted: boolean
}

/** Open licences, by what fonts say of them in words or as an address. */
const open: readonly [RegExp, string][] = [
  [/scripts\.sil\.org\/OFL|openfontlicense\.org|SIL Open Font License/i, 'SIL Open Font License'],
  [/apache\.org\/licenses\/LICENSE-2\.0|Apache License, Version 2\.0/i, 'Apache License 2.0'],
  [/ubuntu\.com\/legal\/font-licence|Ubuntu Font Licence/i, 'Ubuntu Font Licence'],
  [/creativecommons\.org\/publicdomain\/zero/i, 'CC0'],
]

/** The open licence that a font file names; null where it names none, or forbids embedding. */
export function openLicence({ licence, licenceAddress, restricted }: FontTerms): string | null {
  if (restricted) return null
  return open.find(([told]) => told.test(licence) || told.test(licenceAddress))?.[1] ?? null
}
