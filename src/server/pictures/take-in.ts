import type { Content } from '../content'
import type { PictureRef } from '@/core/picture/ref'
import { compute } from '../pool'
import { keepNew } from './store'

/** Takes in a picture for the email as it is. Throws a Problem for what cannot stand in an email. */
export const takeInPicture = async (content: Content, name: string): Promise<PictureRef> =>
  keepNew(await compute('checkPicture', { content, name }))
