import { conditionsAsWritten, conditionsFor, said, type ConditionWriter } from '@/core/email/conditions'
import { asSample, asWritten, UNSUBSCRIBE, type FieldWriter } from '@/core/text/fields'

/** How fields and conditions are written for whoever an email goes to. */
export interface Writing {
  /** How it writes personal fields. */
  fields: FieldWriter
  /** What becomes of conditional bands. */
  conditions: ConditionWriter
  /** Words that look like its own writing of fields, written so that it takes them for words. Left out where it has none. */
  escape?: { html: (markup: string) => string; text: (words: string) => string }
}

/** Where the way out leads while no platform has put its own: nowhere (RFC 2606). */
export const WAY_OUT = 'https://unsubscribe.example/'

const sampleFields = asSample({ unsubscribe: WAY_OUT })

/** Each by its name, since worker threads are told names. */
export const writings = {
  /** As the document has them: nobody knows yet which platform it goes to. */
  document: { fields: asWritten, conditions: conditionsAsWritten },

  /** For looking at: fields show their fallbacks. */
  preview: { fields: sampleFields, conditions: conditionsAsWritten },

  /** For one person who looks at a message. */
  message: { fields: sampleFields, conditions: conditionsFor({}) },

  /** The sending-platform stand-in: `{:name:fallback:}`, and `{:leave_link:}` for the way out. */
  platform: {
    fields: ({ name, fallback }) =>
      name === UNSUBSCRIBE ? '{:leave_link:}' : `{:${name}${fallback ? `:${fallback}` : ''}:}`,
    conditions: (c) => ({ before: `{?${said(c)}?}`, after: '{?end?}' }),
    // Words that begin as a field or a condition does: parted by a character that is not seen, or by a reference.
    escape: {
      html: (markup) => markup.replace(/\{(?=[:?])/g, '&#123;'),
      text: (words) => words.replace(/\{(?=[:?])/g, '{\u200b'),
    },
  },
} satisfies Record<string, Writing>

export type WritingName = keyof typeof writings
