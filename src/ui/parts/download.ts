/** Hands a person something as a file. */
export function download(file: Blob, name: string): void {
  const href = URL.createObjectURL(file)
  Object.assign(document.createElement('a'), { href, download: name }).click()
  setTimeout(() => URL.revokeObjectURL(href), 30_000)
}
