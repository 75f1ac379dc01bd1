import { z } from 'zod'
import type { Destination } from '../destination'
import { built, mailOf, writing, type Envelope } from '../mail'

const nobody: Envelope = { from: 'Mosaicus <studio@mosaicus.example>', to: 'reader@mosaicus.example' }

/** A job's email as an `.eml` file. */
export async function emlOf(
  jobId: string,
  envelope: Envelope = nobody,
): Promise<{ bytes: Buffer; revision: number }> {
  const { mail, revision } = await mailOf(jobId, envelope)
  return { bytes: await built(mail), revision }
}

/** A message that mail programs open, given to the person. */
export const eml: Destination<Record<string, never>, { revision: number; bytes: number }> = {
  name: 'eml',
  ...writing,
  limits: {
    pictures: ['image/png', 'image/jpeg', 'image/gif', 'image/webp'],
    pictureBytes: Infinity,
    needs: [],
  },
  credentials: z.object({}),
  send: async (jobId) => {
    const { bytes, revision } = await emlOf(jobId)
    return { sent: { revision, bytes: bytes.length }, file: bytes }
  },
  summary: ({ bytes }) => `Message of ${(bytes / 1024).toFixed(0)} KB`,
}
