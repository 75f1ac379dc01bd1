import JSZip from 'jszip'
import { writtenJob } from '../../jobs/proof'
import { missingPath } from '../../missing-path'
import { pictureBytes } from '../../pictures/store'

/** Every entry bears the same date, so that the same email gives the same bytes. */
const date = new Date(Date.UTC(1980, 0, 1))

/**
 * A job as a ZIP: index.html, images/ in reading order (or as its HTML by hand has them), text.txt, amp.html where there is an AMP part, and
 * manifest.json. Fields stand as written. A picture whose file is missing is left out and named, there and in the list of deliveries.
 */
export async function zipOf(
  jobId: string,
  signal?: AbortSignal,
): Promise<{ bytes: Buffer; revision: number; missing: string[] }> {
  const { html, text, amp, pictures, manifest, revision } = await writtenJob(
    jobId,
    { writing: 'document', places: 'folder' },
    signal,
  )
  const zip = new JSZip()
  // An email of plain text only has no HTML.
  if (html) zip.file('index.html', html, { date })
  const missing: string[] = []
  for (const n of pictures) {
    const bytes = await pictureBytes(n.picture.id).catch((error: unknown) => {
      if (!missingPath(error)) throw error
      missing.push(n.name)
      return null
    })
    if (bytes) zip.file(`images/${n.name}`, bytes, { date, compression: 'STORE', createFolders: false })
  }
  if (amp) zip.file('amp.html', amp, { date })
  zip.file('text.txt', text, { date })
  const told = missing.length ? { ...manifest, missing } : manifest
  zip.file('manifest.json', `${JSON.stringify(told, null, 2)}\n`, { date })
  return { bytes: await zip.generateAsync({ type: 'nodebuffer', compression: 'DEFLATE' }), revision, missing }
}
