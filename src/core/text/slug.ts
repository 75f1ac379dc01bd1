/** A short word form of a text for file names: lower-case ASCII letters, digits and hyphens. */
export function slug(text: string, most = 40): string {
  const ascii = text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]+/g, '-')
  return ascii.slice(0, most).replace(/^-|-$/g, '')
}
