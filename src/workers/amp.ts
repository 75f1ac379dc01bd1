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

self.onmessage = ({ data: { call, email, house, values, shown } }: MessageEvent<AmpCall>) => {
  try {
    const part = compileAmp(email, house, {
      src: ({ id }) => pictureAddress(id),
      fields: asSample(values),
      conditions: () => true,
      marks: true,
      ...(shown ? { shown } : {}),
    })
    self.postMessage({ call, part } satisfies AmpAnswer)
  } catch (error) {
    self.postMessage({ call, error: (error as Error).message } satisfies AmpAnswer)
  }
}
