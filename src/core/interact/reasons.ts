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
  /** The name of the attribute or element that the mend is of. */
  of?: string
}

/** By the validator's code and, where one code says several things, by what its message holds. The first that fits counts. */
interface Reason {
  code: RegExp
  says?: readonly RegExp[]
  why: string | ((message: string) => string)
  mend?: Mend
}

/** The n-th name in quotes. */
const named = (message: string, n = 0): string => [...message.matchAll(/'([^']*)'/g)][n]?.[1] ?? ''

const reasons: readonly Reason[] = [
  {
    code: /BROKEN_EXPRESSION/,
    why: 'The validator does not read expressions, but readers do: nothing happens there. Close what is open, and put texts in single quotes.',
  },
  {
    code: /LIST_WITHOUT_TEMPLATE/,
    why: 'Readers fetch the list and show nothing of it: put a <template type="amp-mustache"> into it that says how a line looks.',
  },
  {
    code: /SAME_ID/,
    why: 'What acts on this id acts on the first alone. Give the second a name of its own.',
  },
  {
    code: /STYLESHEET_TOO_LONG/,
    why: (m) =>
      `The style sheet has ${/contains (\d+)/.exec(m)?.[1] ?? 'more than 75000'} bytes, and 75,000 are allowed. Take out rules that nothing uses, and say what several classes say alike once.`,
  },
  {
    code: /DOCUMENT_SIZE_LIMIT_EXCEEDED/,
    why: (m) =>
      `The AMP part has ${/size (\d+)/.exec(m)?.[1] ?? 'more than 200000'} bytes, and 200,000 are allowed: readers show the HTML part in its place. Pictures do not count; shorten words, styles and lists.`,
  },
  {
    code: /MISSING_LAYOUT_ATTRIBUTES/,
    why: (m) => `AMP lays <${named(m)}> out before anything is loaded: it wants width and height in px.`,
    mend: 'sizes',
  },
  {
    code: /INVALID_JSON_CDATA/,
    why: 'The data is no JSON, so nothing of it is known: names and texts stand in double quotes, and nothing follows the last of a list.',
  },
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
    why: (m) => `AMP for Email has no <${named(m)}>. ${instead(named(m))}`,
    mend: 'element',
  },
  {
    code: /INVALID_ATTR_VALUE/,
    why: (m) =>
      `"${named(m, 2)}" is no value that "${named(m)}" may have in <${named(m, 1)}>. Without it the usual one counts.`,
    mend: 'attribute',
  },
  {
    code: /DISALLOWED_ATTR/,
    why: (m) =>
      `AMP for Email has no attribute "${named(m)}" in <${named(m, 1)}>.${/^on/.test(named(m)) ? ' What happens at a press is said by "on".' : ''}`,
    mend: 'attribute',
  },
  { code: /ATTR/, why: 'This attribute, or its value, is not part of AMP for Email here.' },
  {
    code: /LAYOUT/,
    why: 'AMP has to know the size beforehand: give width, height and a layout that goes with them.',
  },
  { code: /DEPRECATED/, why: 'It still works, and says nothing in a message.' },
]

/** What stands for an element that there is none of. */
function instead(name: string): string {
  if (/video|audio/.test(name)) return 'A moving picture (GIF) with a link to the film stands for it.'
  if (/iframe|object|embed/.test(name)) return 'Nothing of another page can stand in a message: link to it.'
  return name === 'link' ? 'Styles stand in the head alone.' : 'Use a div, or take it out.'
}

/** A message in plain words. */
export function explained(message: AmpMessage): Explained {
  const found = reasons.find(
    (r) => r.code.test(message.code) && (r.says ?? []).every((says) => says.test(message.message)),
  )
  return {
    ...message,
    why:
      typeof found?.why === 'function'
        ? found.why(message.message)
        : (found?.why ?? 'See the standard of AMP for Email for what is allowed here.'),
    mend: found?.mend ?? null,
    ...(found?.mend === 'attribute' || found?.mend === 'element' ? { of: named(message.message) } : {}),
  }
}
