import { fromHtml } from 'hast-util-from-html'
import { segmentsOf } from '../compile/conditional'
import { elementsOf } from '../compile/stylesheet'
import type { Check, Finding } from './check'

export const byHand: Check = {
  name: 'by-hand',
  about:
    'What is written by hand keeps to what email readers take: pictures with words, no script, conditions that are closed.',
  run: ({ email }) => {
    if (email.way !== 'hand') return []
    const html = email.hand?.html ?? ''
    const found = (weight: 'mend' | 'mind', what: string, why: string): Omit<Finding, 'id' | 'check'> => ({
      weight,
      stage: 'compose',
      where: {},
      what,
      why,
    })
    if (!html.trim())
      return [
        found(
          'mend',
          'No HTML written yet',
          'The email is written by hand, and there is nothing in it. Write or import it, or go back to bands.',
        ),
      ]
    const elements = [...elementsOf(fromHtml(html))]
    const mute = elements.filter((e) => e.tagName === 'img' && e.properties.alt === undefined)
    const scripts = elements.filter(
      (e) => e.tagName === 'script' && !/json/.test(String(e.properties.type ?? '')),
    )
    return [
      ...mute.map((e) =>
        found(
          'mend',
          `Picture without alt text: ${String(e.properties.src ?? '').slice(-60)}`,
          'With pictures off, or read aloud, nothing is left of it (WCAG 2.2, 1.1.1). Give it alt="" if it is only decoration.',
        ),
      ),
      ...(scripts.length
        ? [
            found(
              'mend',
              `${scripts.length === 1 ? 'A script' : `${scripts.length} scripts`} in the HTML`,
              'Email readers run no script, and some hold such a message back. Take it out.',
            ),
          ]
        : []),
      ...conditions(html).map((why) => found('mend', 'A condition for the Word engine is broken', why)),
    ]
  },
}

function conditions(html: string): string[] {
  try {
    segmentsOf(html)
    return []
  } catch (e) {
    return [(e as Error).message]
  }
}
