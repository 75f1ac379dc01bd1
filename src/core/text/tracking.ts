import { z } from 'zod'

/** A parameter that links get when the email leaves. */
const parameterSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1)
    .max(60)
    .regex(/^[\w.~-]+$/, 'letters, digits and . _ ~ - (RFC 3986, 2.3)'),
  /** What it says; fields may stand in it. Left out, it is the name of the link's band. */
  value: z.string().max(300).optional(),
})
export type TrackingParameter = z.infer<typeof parameterSchema>

/** A rule for the links of an email. */
export const trackingSchema = z.object({
  parameters: z.array(parameterSchema).min(1).max(12),
  /** Hosts whose links get them, those below them included; left out, all do. */
  hosts: z.array(z.string().trim().min(1).max(200)).max(40).optional(),
})
export type Tracking = z.infer<typeof trackingSchema>

/** Percent-encodes what stands around fields. */
const encoded = (value: string): string =>
  value
    .split(/(\[\[[^\][]{0,300}\]\])/)
    .map((part, i) => (i % 2 ? part : encodeURIComponent(part.toWellFormed())))
    .join('')

const counts = (host: string, hosts: readonly string[] | undefined): boolean =>
  !hosts?.length || hosts.some((h) => host === h.toLowerCase() || host.endsWith(`.${h.toLowerCase()}`))

/**
 * An address with the parameters of a rule, before its fragment (RFC 3986, 3.4 and 3.5). Other schemes, fields, other
 * hosts, and parameters that the address has already, stay as they are. @param band the name of the band it stands in
 */
export function trackedHref(href: string, rule: Tracking, band: string): string {
  const parts = /^(\s*https?:\/\/([^/?#\s]+)[^?#]*)(\?[^#]*)?(#.*)?$/is.exec(href)
  if (!parts) return href
  const [, before, authority, query = '', fragment = ''] = parts
  const host = authority!.replace(/^.*@/, '').replace(/:\d*$/, '').toLowerCase()
  if (!counts(host, rule.hosts)) return href
  const there = new Set(
    query
      .slice(1)
      .split('&')
      .map((pair) => pair.replace(/=.*$/s, '')),
  )
  const added = rule.parameters
    .filter((p) => !there.has(p.name))
    .map((p) => `${p.name}=${encoded(p.value ?? band)}`)
  if (!added.length) return href
  const lead = query.length > 1 ? `${query.replace(/&$/, '')}&` : '?'
  return `${before!.trim()}${lead}${added.join('&')}${fragment.trimEnd()}`
}
