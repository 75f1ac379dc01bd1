import type { Behaviour } from '../behaviour'
import { attributes } from './attributes'
import { desktop } from './desktop'
import { fully } from './fully'
import { partly } from './partly'
import { written } from './written'

export type { Behaviour } from '../behaviour'
export type BehaviourId = Behaviour['id']

/** What dark modes do, one file each, in the order in which they are offered. */
export const behaviours: Record<BehaviourId, Behaviour> = { written, attributes, partly, fully, desktop }
export const behaviourIds = Object.keys(behaviours) as BehaviourId[]
