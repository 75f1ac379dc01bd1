import { z } from 'zod'
import type { Destination } from '../destination'
import { zipOf } from './files'

/** A ZIP of HTML, pictures, text and a manifest, given to the person. */
export const zip: Destination<
  Record<string, never>,
  { revision: number; bytes: number; missing?: string[] }
> = {
  name: 'zip',
  writing: 'document',
  limits: {
    pictures: ['image/png', 'image/jpeg', 'image/gif', 'image/webp'],
    pictureBytes: Infinity,
    needs: [],
  },
  credentials: z.object({}),
  send: async (jobId, _, { signal }) => {
    const { bytes, revision, missing } = await zipOf(jobId, signal)
    const lacks = missing.length ? { missing } : {}
    return { sent: { revision, bytes: bytes.length, ...lacks }, file: bytes }
  },
  summary: ({ bytes, missing = [] }) =>
    `ZIP of ${(bytes / 1024).toFixed(0)} KB${missing.length ? `, without ${missing.join(', ')}: the file is missing` : ''}`,
}
