import { createHash } from 'node:crypto'
import type { PictureRef } from '@/core/picture/ref'

/** A picture that is to be kept: what documents will say of it, and its bytes. */
export interface NewPicture {
  ref: PictureRef
  bytes: Uint8Array
}

/** A picture named by the SHA-256 of its bytes. */
export const newPicture = (bytes: Buffer, known: Omit<PictureRef, 'id' | 'bytes'>): NewPicture => ({
  ref: { id: createHash('sha256').update(bytes).digest('hex'), ...known, bytes: bytes.length },
  bytes,
})
