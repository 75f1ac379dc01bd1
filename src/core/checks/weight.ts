import type { Check } from './check'

/**
 * Above this some webmail cuts a message off: 102 KB of HTML (value from memory; common practice, no source).
 */
export const HTML_LIMIT = 102 * 1024

export const weight: Check = {
  name: 'weight',
  about: `The HTML has at most ${HTML_LIMIT / 1024} KB, so that webmail does not cut it off.`,
  email: ({ bytes }) => {
    const kb = (bytes / 1024).toFixed(1)
    if (bytes > HTML_LIMIT)
      return [
        {
          severity: 'mend',
          stage: 'proof',
          what: `HTML of ${kb} KB, over ${HTML_LIMIT / 1024} KB`,
          why: 'Some webmail cuts the message off there, and with it the footer and the unsubscribe link. Take bands out, or replace twins for wide and narrow by one.',
        },
      ]
    if (bytes > HTML_LIMIT * 0.85)
      return [
        {
          severity: 'mind',
          stage: 'proof',
          what: `HTML of ${kb} KB, close to ${HTML_LIMIT / 1024} KB`,
          why: 'Links grow when a platform rewrites them for counting. Leave some room.',
        },
      ]
    return []
  },
}
