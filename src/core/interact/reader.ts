/** How a reader asks for what an AMP email fetches or sends (AMP for Email, "CORS in AMP for Email", version 1 and 2). */
export interface Asking {
  version: 1 | 2
  /** The sender's address. */
  sender: string
  /** Where the reader runs; of version 1. */
  origin: string
}

/** What came back. Names of headers are lower case. */
export interface Came {
  status: number
  headers: Readonly<Record<string, string>>
  body: string
}

/** The headers, and what is added to the address, with which a reader asks. */
export function asked(
  url: string,
  { version, sender, origin }: Asking,
): { url: string; headers: Record<string, string> } {
  if (version === 2) return { url, headers: { 'amp-email-sender': sender } }
  const address = new URL(url)
  address.searchParams.set('__amp_source_origin', sender)
  return { url: address.toString(), headers: { origin } }
}

/** Why a reader refuses an address before it asks. */
export function refusedAddress(url: string): string | null {
  if (!URL.canParse(url)) return 'The address is not a whole one: it has to begin with https://.'
  const { protocol, username } = new URL(url)
  if (protocol !== 'https:') return `Only https is asked; this is ${protocol.slice(0, -1)}.`
  return username ? 'An address with a name and a password in it is not asked.' : null
}

const shares = (allowed: string | undefined, wanted: string): boolean =>
  allowed === '*' || allowed?.trim().toLowerCase() === wanted.toLowerCase()

/** What a status says, of those that servers of lists and forms give when they fail (RFC 9110, 15.5 and 15.6). */
const statuses: Readonly<Record<number, string>> = {
  400: 'it did not understand the question',
  401: 'it wants to know who asks',
  403: 'it does not let the reader in',
  404: 'there is nothing at this address',
  405: 'it does not take this kind of question',
  410: 'it is gone for good',
  429: 'it was asked too often',
  500: 'it broke',
  502: 'what stands behind it did not answer',
  503: 'it is overloaded or being mended',
  504: 'what stands behind it did not answer in time',
}

/** Why a list or values that were fetched are not shown, by the status alone; null where they are. */
export const refusedStatus = (status: number): string | null =>
  status < 400
    ? null
    : `It answered ${status}${statuses[status] ? `: ${statuses[status]}` : ''}. Readers show a list only of an answer of 200 to 299.`

/** Every reason for which a real reader refuses an answer, a sentence each; none where it takes it. */
export function refusals({ version, sender, origin }: Asking, came: Came): string[] {
  const said: string[] = []
  const header = (name: string) => came.headers[name.toLowerCase()]
  if (came.status >= 300 && came.status < 400)
    said.push(
      `It answered with a redirect (${came.status}). Readers follow none; a page to go on to is named in AMP-Redirect-To, which email does not have.`,
    )
  if (version === 2) {
    const allowed = header('AMP-Email-Allow-Sender')
    if (allowed === undefined) said.push('The header AMP-Email-Allow-Sender is missing.')
    else if (!shares(allowed, sender))
      said.push(`AMP-Email-Allow-Sender says "${allowed}", and the sender is ${sender}.`)
  } else {
    const from = header('Access-Control-Allow-Origin')
    if (from === undefined) said.push('The header Access-Control-Allow-Origin is missing.')
    else if (!shares(from, origin))
      said.push(`Access-Control-Allow-Origin says "${from}", and the reader is ${origin}.`)
    const source = header('AMP-Access-Control-Allow-Source-Origin')
    if (source === undefined) said.push('The header AMP-Access-Control-Allow-Source-Origin is missing.')
    else if (!shares(source, sender))
      said.push(`AMP-Access-Control-Allow-Source-Origin says "${source}", and the sender is ${sender}.`)
    const exposed = (header('Access-Control-Expose-Headers') ?? '').toLowerCase()
    if (!exposed.includes('amp-access-control-allow-source-origin'))
      said.push(
        'Access-Control-Expose-Headers does not name AMP-Access-Control-Allow-Source-Origin, so it cannot be read.',
      )
  }
  const type = header('Content-Type') ?? ''
  if (!/^application\/(?:[\w.+-]+\+)?json\b/i.test(type))
    said.push(`It answered as "${type || 'nothing said'}"; readers take JSON only (application/json).`)
  else if (parsed(came.body) === undefined) said.push('What it answered is not valid JSON.')
  return said
}

/** A body as JSON; undefined where it is none. */
export function parsed(body: string): unknown {
  try {
    return JSON.parse(body) as unknown
  } catch {
    return undefined
  }
}

/** How long the AMP part counts after a message was sent, days (AMP for Email, "Expiry"; readers fall back to the HTML after that). */
export const AMP_DAYS = 31

/** Why a reader shows the HTML and not the AMP part; empty where it shows it. */
export function whyStatic(o: {
  amp: boolean
  html: boolean
  /** Switched on for this sender. */
  dynamic: boolean
  /** When it was sent, and now, ms since 1970. */
  sent: number
  now: number
  /** The order of the types of the parts of its multipart/alternative. */
  order: readonly string[]
  errors: readonly string[]
}): string[] {
  if (!o.amp) return ['The message has no AMP part.']
  const why: string[] = []
  if (!o.html) why.push('Beside the AMP part a message needs an HTML part; this one has none.')
  if (!o.dynamic) why.push('Dynamic mail is not switched on for this sender.')
  const days = (o.now - o.sent) / 86_400_000
  if (days > AMP_DAYS)
    why.push(`It was sent ${Math.floor(days)} days ago; an AMP part counts for ${AMP_DAYS} days.`)
  const [amp, html] = [o.order.indexOf('text/x-amp-html'), o.order.indexOf('text/html')]
  if (html >= 0 && amp > html)
    why.push(
      'The AMP part stands after the HTML part; readers that do not know it would show it as the last they can.',
    )
  if (o.errors.length)
    why.push(
      `The official validator finds ${o.errors.length} ${o.errors.length === 1 ? 'error' : 'errors'} in it: ${o.errors[0]}`,
    )
  return why
}
