import JSZip from 'jszip'
import type { Problem } from '../problem'

const MOST_ENTRIES = 500
/** What a ZIP may come to once it is unpacked, bytes. */
const MOST_UNPACKED = 150 * 1024 * 1024

/** What the library reads off a file's header: the size it is said to have, bytes. */
type Declared = JSZip.JSZipObject & { _data: { uncompressedSize: number } }

export interface Unzipped {
  files: JSZip.JSZipObject[]
  /** Throws a Problem where a file is damaged or all of them come to too much. */ read: (
    file: JSZip.JSZipObject,
  ) => Promise<Buffer>
}

/**
 * Opens a ZIP that is not to be trusted: the size it declares may be a lie, so what is unpacked is counted as
 * it comes.
 * @param refuse makes the Problem from a title and a reason @param most what all of it may come to, bytes
 */
export async function unzip(
  bytes: Buffer,
  name: string,
  refuse: (title: string, why: string) => Problem,
  most = MOST_UNPACKED,
): Promise<Unzipped> {
  let zip: JSZip
  try {
    zip = await JSZip.loadAsync(bytes)
  } catch {
    throw refuse('This ZIP cannot be read', `"${name}" is damaged or breaks off. Pack it again.`)
  }
  const files = Object.values(zip.files).filter((f) => !f.dir && !/(^|\/)(__MACOSX|\.)/.test(f.name))
  if (files.length > MOST_ENTRIES)
    throw refuse(
      'There is too much in this ZIP',
      `It holds ${files.length} files; at most ${MOST_ENTRIES} are read. Pack only what belongs to it.`,
    )
  const tooMuch = () =>
    refuse(
      'This ZIP unpacks to too much',
      `It comes to more than ${most / 1048576} MB. Pack only what belongs to it.`,
    )
  const declared = files.reduce((sum, f) => sum + (f as Declared)._data.uncompressedSize, 0)
  if (declared > most) throw tooMuch()
  let unpacked = 0
  const read = async (file: JSZip.JSZipObject): Promise<Buffer> => {
    const parts: Buffer[] = []
    await new Promise<void>((resolve, reject) => {
      const stream = file.nodeStream()
      stream.on('data', (part: Buffer) => {
        unpacked += part.length
        if (unpacked > most) {
          stream.pause()
          reject(tooMuch())
        } else parts.push(part)
      })
      stream.on('end', () => resolve())
      stream.on('error', () =>
        reject(refuse('This ZIP cannot be read', `"${file.name}" in it is damaged. Pack it again.`)),
      )
    })
    return Buffer.concat(parts)
  }
  return { files, read }
}
