import type { Element } from 'hast'
import { newId, type NewId } from '../email/defaults'
import { sides } from '../email/styles'
import type { PictureRef } from '../picture/ref'

/** What the taking in of one email needs, and what it finds on the way. */
export class Taking {
  /** What the person should know, a sentence each. */
  readonly notes = new Set<string>()
  /** What can only become code. */
  readonly opaque = new WeakSet<Element>()
  /** Maps of links over pictures, by their names. */
  readonly maps = new Map<string, Element>()
  /** How many code tiles were made. */
  codes = 0

  /**
   * @param css the rules that cannot stand in elements
   * @param pictures addresses in the HTML that stand for pictures kept here
   */
  constructor(
    readonly css: string,
    readonly pictures: Readonly<Record<string, PictureRef>>,
    readonly id: NewId = newId,
  ) {}

  /** What every tile begins with. */
  base = () => ({ id: this.id(), padding: sides(0), show: 'all' as const })
}
