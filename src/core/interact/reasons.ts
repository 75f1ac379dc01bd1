import type { Mend } from './mends'

/** A message of the official validator. */
export interface AmpMessage {
  severity: 'ERROR' | 'WARNING'
  /** Counted from 1. */
  line: number
  /** Counted from 0. */
  col: number
  message: string
  code: string
  params?: readonly string[]
}

/** A message in plain words, with what mends it in one press. */
export interface Explained extends AmpMessage {
  why: string
  mend: Mend | null
}

/** By the validator's code and, where one code says several things, by what its message holds. The first that fits counts. */
const reasons: readonly { code: RegExp; says?: readonly RegExp[]; why: string; mend?: Mend }[] = [
  {
    code: /DISALLOWED_ATTR/,
    says: [/'target'/, /'form'/],
    why: 'A form of AMP for Email is sent in place, so it opens no window: it may not say where.',
    mend: 'form-target',
  },
  {
    code: /DISALLOWED_ATTR|MANDATORY_ATTR|ATTR_REQUIRED/,
    says: [/'action'|'action-xhr'|action-xhr/],
    why: 'A form of AMP for Email sends to action-xhr in place of action, by https.',
    mend: 'form-action',
  },
  {
    code: /DISALLOWED_TAG|MANDATORY_TAG_ANCESTOR/,
    says: [/tag 'img'/],
    why: 'AMP lays pictures out before they are loaded: it wants amp-img, with width and height.',
    mend: 'img',
  },
  {
    code: /MISSING_REQUIRED_EXTENSION|EXTENSION|MISSING_EXTENSION/,
    why: 'Each part of AMP that is used needs its own line of script in the head.',
    mend: 'script-lines',
  },
  {
    code: /DISALLOWED_IMPORTANT|DISALLOWED_SUBSTRING/,
    says: [/!important/i],
    why: 'AMP allows no !important. Let the rule come later, or be more exact.',
    mend: 'important',
  },
  {
    code: /DISALLOWED_RELATIVE_URL/,
    why: 'The message lies on no site, so an address has to be whole: with https:// and a name.',
    mend: 'relative',
  },
  {
    code: /INVALID_URL_PROTOCOL|INVALID_URL|MISSING_URL/,
    why: 'AMP for Email asks and sends by https alone.',
    mend: 'http',
  },
  {
    code: /DISALLOWED_SCRIPT_TAG|DISALLOWED_TAG/,
    says: [/script|JavaScript/i],
    why: 'No script of your own runs in a message; only the lines of AMP’s own parts may stand there.',
    mend: 'scripts',
  },
  {
    code: /MANDATORY_TAG_MISSING|MANDATORY_ATTR_MISSING|DOCTYPE|BOILERPLATE|GENERAL_DISALLOWED_TAG/,
    why: 'An AMP email begins with a fixed frame: its doctype, <html amp4email>, the character set, the script of AMP and a line that hides the page until it runs.',
    mend: 'frame',
  },
  {
    code: /CSS_SYNTAX|CSS_EXCESSIVELY|STYLESHEET|INLINE_STYLE/,
    why: 'AMP for Email knows fewer properties, media features and selectors than pages do. Take the rule out, or say it in another way.',
  },
  {
    code: /DISALLOWED_TAG/,
    why: 'This element is not part of AMP for Email. Use a div, or the AMP part that stands for it.',
  },
  { code: /ATTR/, why: 'This attribute, or its value, is not part of AMP for Email here.' },
  {
    code: /LAYOUT/,
    why: 'AMP has to know the size beforehand: give width, height and a layout that goes with them.',
  },
  { code: /DEPRECATED/, why: 'It still works, and says nothing in a message.' },
]

/** A message in plain words. */
export function explained(message: AmpMessage): Explained {
  const found = reasons.find(
    (r) => r.code.test(message.code) && (r.says ?? []).every((says) => says.test(message.message)),
  )
  return {
    ...message,
    why: found?.why ?? 'See the standard of AMP for Email for what is allowed here.',
    mend: found?.mend ?? null,
  }
}
