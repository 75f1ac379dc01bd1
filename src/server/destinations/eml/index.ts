import { z } from 'zod'
import type { Destination } from '../destination'
import { newId } from '@/core/email/defaults'
import { built, mailOf, type Envelope } from '../mail'

const nobody: Envelope = {
  from: 'Mosaicus <studio@mosaicus.example>',
  to: 'A reader <reader@mosaicus.example>',
}

/** A job's email as an `.eml` file. */
export async function emlOf(
  jobId: string,
  envelope: Envelope = nobody,
  signal?: AbortSignal,
): Promise<{ bytes: Buffer; revision: number }> {
  const { mail, revision } = await mailOf(jobId, envelope, newId(), signal)
  return { bytes: await built(mail), revision }
}

/** A message that mail programs open, given to the person. */
export const eml: Destination<Record<string, never>, { revision: number; bytes: number }> = {
  name: 'eml',
  writing: 'message',
  limits: {
    pictures: ['image/png', 'image/jpeg', 'image/gif', 'image/webp'],
    pictureBytes: Infinity,
    needs: [],
  },
  credentials: z.object({}),
  send: async (jobId, _, { signal }) => {
    const { bytes, revision } = await emlOf(jobId, nobody, signal)
    return { sent: { revision, bytes: bytes.length }, file: bytes }
  },
  summary: ({ bytes }) => `Message of ${(bytes / 1024).toFixed(0)} KB`,
}
