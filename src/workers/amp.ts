import { compileAmp, type AmpPart } from '@/core/interact/amp'
import { pictureAddress } from '@/core/interact/addresses'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { asSample } from '@/core/text/fields'
import type { ShownState } from '@/core/tiles/context'

/** An email that is to be made an AMP part. */
export interface AmpCall {
  call: number
  email: Email
  house: HouseStyle
  values: Readonly<Record<string, string>>
  shown?: ShownState | undefined
}
export type AmpAnswer = { call: number } & ({ part: AmpPart } | { error: string })

self.onmessage = ({ data }: MessageEvent<AmpCall>) =>
  void made(data).then(
    (part) => self.postMessage({ call: data.call, part } satisfies AmpAnswer),
    (error: Error) => self.postMessage({ call: data.call, error: error.message } satisfies AmpAnswer),
  )

/** The AMP part, once what it needs to read code is there. */
async function made(call: AmpCall): Promise<AmpPart> {
  for (;;)
    try {
      return partOf(call)
    } catch (waiting) {
      if (!(waiting instanceof Promise)) throw waiting
      await waiting
    }
}

const partOf = ({ email, house, values, shown }: AmpCall): AmpPart =>
  compileAmp(email, house, {
    src: ({ id }) => pictureAddress(id),
    fields: asSample(values),
    conditions: () => true,
    marks: true,
    ...(shown ? { shown } : {}),
  })
