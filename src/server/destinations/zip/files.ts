import JSZip from 'jszip'
import { manifestOf } from '@/core/handover/manifest'
import { namePictures } from '@/core/handover/names'
import { conditionsAsWritten } from '@/core/email/conditions'
import { asWritten } from '@/core/text/fields'
import { compileJob } from '../../jobs/proof'
import { pictureBytes } from '../../pictures/store'
import { writtenFor } from '../written'

/** Files leave as the document has them: nobody knows yet which platform they go to. */
export const writing = { fields: asWritten, conditions: conditionsAsWritten }

/** Every entry bears the same date, so that the same email gives the same bytes. */
const date = new Date(Date.UTC(1980, 0, 1))

/**
 * A job as a ZIP: index.html, images/ in reading order (or as its HTML by hand has them), text.txt and
 * manifest.json. Fields stand as written.
 */
export async function zipOf(jobId: string): Promise<{ bytes: Buffer; revision: number }> {
  const named = namePictures(compileJob(jobId).email)
  const files = new Map(named.map((n) => [n.picture.id, `images/${n.name}`]))
  const { email, html, text, revision } = writtenFor(writing, jobId, ({ id }) => files.get(id)!)
  const zip = new JSZip()
  // An email of plain text only has no HTML.
  if (html) zip.file('index.html', html, { date })
  for (const n of named)
    zip.file(`images/${n.name}`, await pictureBytes(n.picture.id), {
      date,
      compression: 'STORE',
      createFolders: false,
    })
  zip.file('text.txt', text, { date })
  zip.file(
    'manifest.json',
    `${JSON.stringify(manifestOf(email, { html: Buffer.byteLength(html), text: Buffer.byteLength(text) }), null, 2)}\n`,
    { date },
  )
  return { bytes: await zip.generateAsync({ type: 'nodebuffer', compression: 'DEFLATE' }), revision }
}
