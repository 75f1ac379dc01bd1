import type { Email } from '@/core/email/schema'
import type { Imported } from './import-dialog'

/** The bands that were found, without the notes on them. */
function bandsOf({ bands, width, lang, dir, title, preheader, styles }: Imported['bands']): Partial<Email> {
  return { bands, width, lang, dir, title, preheader, ...(styles.ground ? { styles } : {}) }
}

/** What of an email changes when another is brought into it. */
export function broughtIn(what: Imported, as: 'hand' | 'bands'): Partial<Email> {
  const { lang, dir, title } = what.bands
  return {
    hand: what.hand,
    way: as,
    ...(what.subject ? { subject: what.subject.slice(0, 500) } : {}),
    ...(as === 'hand' ? { text: what.text?.slice(0, 400_000) } : { text: undefined }),
    ...(as === 'bands' ? bandsOf(what.bands) : { lang, dir, title }),
  }
}
