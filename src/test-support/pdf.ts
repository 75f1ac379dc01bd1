/**
 * A PDF written by hand (ISO 32000-1, 7.5): header, objects, table of where they begin, trailer.
 * @param objects the first is the catalog; they are numbered from 1
 */
export function pdfOf(objects: readonly string[]): Buffer {
  let file = '%PDF-1.7\n'
  const at = objects.map((object, i) => {
    const start = file.length
    file += `${i + 1} 0 obj\n${object}\nendobj\n`
    return start
  })
  const table = file.length
  const size = objects.length + 1
  file += `xref\n0 ${size}\n0000000000 65535 f \n${at.map((a) => `${String(a).padStart(10, '0')} 00000 n \n`).join('')}`
  return Buffer.from(`${file}trailer\n<</Size ${size}/Root 1 0 R>>\nstartxref\n${table}\n%%EOF\n`)
}

const stream = (dictionary: string, content: string): string =>
  `<<${dictionary}/Length ${content.length}>>\nstream\n${content}\nendstream`

/** A page whose form draws another ten times, and so on: ten to the power of `depth` squares. */
export function nestedForms(depth: number): Buffer {
  const first = 5
  const form = (i: number) =>
    stream(
      `/Type/XObject/Subtype/Form/BBox[0 0 600 800]/Resources<</XObject<</F ${first + i + 1} 0 R>>>>`,
      '/F Do '.repeat(10),
    )
  return pdfOf([
    '<</Type/Catalog/Pages 2 0 R>>',
    '<</Type/Pages/Kids[3 0 R]/Count 1>>',
    `<</Type/Page/Parent 2 0 R/MediaBox[0 0 600 800]/Contents 4 0 R/Resources<</XObject<</F ${first} 0 R>>>>>>`,
    stream('', '/F Do'),
    ...Array.from({ length: depth }, (_, i) => form(i)),
    stream('/Type/XObject/Subtype/Form/BBox[0 0 600 800]', '0 0 9 9 re f'),
  ])
}
