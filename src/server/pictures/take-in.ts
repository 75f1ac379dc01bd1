import type { Content } from '../content'
import type { PictureRef } from '@/core/picture/ref'
import { guardedFetch } from '../net/guarded-fetch'
import { compute } from '../pool'
import { keepNew } from './store'

/** Takes in a picture for the email as it is. Throws a Problem for what cannot stand in an email. */
export async function takeInPicture(content: Content, name: string): Promise<PictureRef> {
  const { picture, original } = await compute('checkPicture', { content, name })
  if (original) await keepNew(original)
  return keepNew(picture)
}

/** Most bytes of a picture at an address, and how long each answer is waited for, ms. */
const LIMITS = { most: 12_000_000, patience: 15_000 }

/** Takes in the picture at a public address. */
export async function takeInPictureAt(typed: string): Promise<PictureRef> {
  const { bytes, address } = await guardedFetch(typed, LIMITS)
  return takeInPicture(bytes, address)
}
