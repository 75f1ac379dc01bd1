import type { Content } from '../content'
import type { DesignLayers } from '@/core/cut/layers'
import type { PictureRef } from '@/core/picture/ref'
import { keepNew } from '../pictures/store'
import { compute } from '../pool'
import type { OpenedDesign } from './read'

/** A board that was taken in. */
export interface TakenDesign {
  picture: PictureRef
  layers: DesignLayers | null
  notes: string[]
}

/** Opens a design's file and says what can be chosen in it; nothing is kept. Throws a Problem that says what is wrong with it. */
export const openDesign = (content: Content, name: string, signal?: AbortSignal): Promise<OpenedDesign> =>
  compute('openDesign', { content, name }, { signal })

/** Takes one board of a design in. @param board counted from 0 */
export async function takeInBoard(
  content: Content,
  name: string,
  board = 0,
  signal?: AbortSignal,
): Promise<TakenDesign> {
  const { picture, layers, notes } = await compute('readDesign', { content, name, board }, { signal })
  return { picture: await keepNew(picture), layers, notes }
}
