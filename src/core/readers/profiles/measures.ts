/** Bytes of HTML after which one web mail cuts a message off (common practice, no source). */
export const GMAIL_CUT = 102 * 1024

/** Why an app with an account of another provider drops the head. */
export const FOREIGN =
  'An account of another provider in that app: styles of the head do not arrive (common practice, no source).'
