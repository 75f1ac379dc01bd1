import { readFile } from 'node:fs/promises'

/** What a file holds: at hand, or on disk, where worker threads read it themselves. */
export type Content = Uint8Array | { path: string }

/** The bytes of a file. */
export async function bytesOf(content: Content): Promise<Buffer> {
  if ('path' in content) return readFile(content.path)
  return Buffer.from(content.buffer, content.byteOffset, content.byteLength)
}
