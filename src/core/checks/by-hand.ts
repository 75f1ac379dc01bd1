import { segmentsOf } from '../html/conditional'
import { elementsOf } from '../html/elements'
import type { Check, Found } from './check'

export const byHand: Check = {
  name: 'by-hand',
  about:
    'What is written by hand keeps to what email readers take: pictures with words, no script, conditions that are closed.',
  email: ({ email, hand }) => {
    if (email.way !== 'hand') return []
    const html = email.hand?.html ?? ''
    const tree = hand()
    if (!tree || !html.trim())
      return [
        mend(
          'No HTML written yet',
          'The email is written by hand, and there is nothing in it. Write or import it, or go back to bands.',
        ),
      ]
    const elements = [...elementsOf(tree)]
    const mute = elements.filter((e) => e.tagName === 'img' && e.properties.alt === undefined)
    const scripts = elements.filter(
      (e) => e.tagName === 'script' && !/json/.test(String(e.properties.type ?? '')),
    )
    return [
      ...mute.map((e) =>
        mend(
          `Picture without alt text: ${String(e.properties.src ?? '').slice(-60)}`,
          'With pictures off, or read aloud, nothing is left of it (WCAG 2.2, 1.1.1). Give it alt="" if it is only decoration.',
          `alt ${String(e.properties.src ?? '').slice(-60)}`,
        ),
      ),
      ...(scripts.length
        ? [
            mend(
              `${scripts.length === 1 ? 'A script' : `${scripts.length} scripts`} in the HTML`,
              'Email readers run no script, and some hold such a message back. Take it out.',
              'script',
            ),
          ]
        : []),
      ...conditions(html).map((why) => mend('A condition for the Word engine is broken', why, 'condition')),
    ]
  },
}

const mend = (what: string, why: string, key?: string): Found => ({
  severity: 'mend',
  stage: 'compose',
  what,
  why,
  ...(key ? { key } : {}),
})

function conditions(html: string): string[] {
  try {
    segmentsOf(html)
    return []
  } catch (e) {
    return [(e as Error).message]
  }
}
