/** Printable characters of an atom (RFC 5322, section 3.2.3). */
const ATOM = /^[A-Za-z0-9!#$%&'*+/=?^_`{|}~-]+$/
const LABEL = /^[A-Za-z0-9-]{1,63}$/

/** Longest address that a server has to take, characters (RFC 5321, section 4.5.3.1.3, less its brackets). */
const LONGEST = 254

/**
 * Whether a text is a mail address in ASCII (RFC 5322, section 3.4.1: dot-atom on both sides; sizes by RFC 5321,
 * section 4.5.3.1). One with other letters needs a server of RFC 6531, which is not relied on.
 */
export function isAddress(text: string): boolean {
  const at = text.lastIndexOf('@')
  if (at < 1 || at > 64 || text.length > LONGEST) return false
  const labels = text.slice(at + 1).split('.')
  return (
    text
      .slice(0, at)
      .split('.')
      .every((atom) => ATOM.test(atom)) &&
    labels.length > 1 &&
    labels.every((label) => LABEL.test(label) && !label.startsWith('-') && !label.endsWith('-'))
  )
}

/** A mail address, alone or behind a name in angle brackets (RFC 5322, section 3.4); null where it is neither. */
export function mailboxOf(text: string): { name: string; address: string } | null {
  const trimmed = text.trim()
  if (!trimmed.endsWith('>')) return isAddress(trimmed) ? { name: '', address: trimmed } : null
  const open = trimmed.lastIndexOf('<')
  const name = trimmed.slice(0, Math.max(0, open)).trim()
  const address = trimmed.slice(open + 1, -1).trim()
  return open >= 0 && isAddress(address) && !/[<>\p{Cc}]/u.test(name)
    ? { name: name.replaceAll('"', ''), address }
    : null
}
