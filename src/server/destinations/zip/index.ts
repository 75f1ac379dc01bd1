import { z } from 'zod'
import type { Destination } from '../destination'
import { zipOf } from './files'

/** A ZIP of HTML, pictures, text and a manifest, given to the person. */
export const zip: Destination<Record<string, never>, { revision: number; bytes: number }> = {
  name: 'zip',
  writing: 'document',
  limits: {
    pictures: ['image/png', 'image/jpeg', 'image/gif', 'image/webp'],
    pictureBytes: Infinity,
    needs: [],
  },
  credentials: z.object({}),
  send: async (jobId, _, { signal }) => {
    const { bytes, revision } = await zipOf(jobId, signal)
    return { sent: { revision, bytes: bytes.length }, file: bytes }
  },
  summary: ({ bytes }) => `ZIP of ${(bytes / 1024).toFixed(0)} KB`,
}
