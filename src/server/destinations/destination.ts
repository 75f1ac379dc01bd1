import type { z } from 'zod'
import type { PictureRef } from '@/core/picture/ref'
import type { Tell } from '../tasks/progress'
import type { WritingName } from './writings'

/** What a delivery works with. */
export interface Delivering {
  tell: Tell
  signal?: AbortSignal
  /** Said just before something leaves that may arrive whatever happens to the answer. */
  leaving: () => void
  /** The same for every attempt at one delivery: a destination that knows keys makes a repeat harmless. */
  key: string
}

/** What every delivery can say of itself. */
export interface Sent {
  /** Of the email that left. */
  revision: number
}

/**
 * Where a finished email goes. All that differs from one destination to the next stands here, so that adding one means adding a folder and a line in
 * the index.
 */
export interface Destination<Credentials, S extends Sent> {
  name: 'zip' | 'eml' | 'test-send' | 'platform'
  /** How it writes fields and conditions. */
  writing: WritingName
  /** What it takes, and what an email needs to go there. */
  limits: {
    pictures: readonly PictureRef['type'][]
    /** Of one picture, bytes. */
    pictureBytes: number
    needs: readonly 'subject'[]
  }
  /** What a person has to give. */
  credentials: z.ZodType<Credentials>
  /** Does it. Throws a Problem (502) that says what the other side answered. @returns also the file, where one is given to the person */
  send: (jobId: string, credentials: Credentials, how: Delivering) => Promise<{ sent: S; file?: Buffer }>
  /** Looks at what arrived. Throws a Problem (502) where it is not what was sent. */
  readBack?: (sent: S, credentials: Credentials, how: Delivering) => Promise<void>
  /** What the list of deliveries says of it. */
  summary: (sent: S, credentials: Credentials) => string
}
