import { Problem } from '../problem'

/** Names under which a browser reaches this machine itself. */
const own = ['127.0.0.1', 'localhost', '[::1]']

type Env = Record<string, string | undefined>

/** The origins named in `MOSAICUS_HOSTS`, such as `https://studio.example, desk:4310`, and the address the app is bound to. */
export const namedOrigins = (env: Env = process.env): URL[] =>
  [...(env.MOSAICUS_HOSTS ?? '').split(','), boundTo(env) ?? '']
    .map((host) => host.trim())
    .filter(Boolean)
    .map((host) => (host.includes('://') ? host : `http://${host}`))
    .filter((address) => URL.canParse(address))
    .map((address) => new URL(address))

/** The one address the app listens at (`MOSAICUS_BIND`), with its port; null where it is this machine's own, or all. */
export function boundTo(env: Env = process.env): string | null {
  const address = env.MOSAICUS_BIND ?? ''
  if (!address || ['0.0.0.0', '::', ...own, '::1'].includes(address)) return null
  return `${address.includes(':') ? `[${address}]` : address}:${portOf(env)}`
}

const portOf = (env: Env): string => env.PORT ?? '4310'

/** Whether a host, as a request names it, is a name of this machine itself. */
export const isOwnName = (host: string): boolean => own.includes(host.toLowerCase().replace(/:\d+$/, ''))

/** The origins the app answers at (RFC 6454): its port on this machine, and those that are named. */
export function allowedOrigins(env: Env = process.env): ReadonlySet<string> {
  const here = own.map((host) => `http://${host}:${portOf(env)}`)
  return new Set([...here, ...namedOrigins(env).map((o) => o.origin)])
}

/**
 * Why a request is not answered, or null where it is. A name that merely resolves to this machine is refused, GET
 * included (DNS rebinding); a change has to come from the app's own pages or from a program (Fetch Metadata:
 * `Sec-Fetch-Site`).
 */
export function refusal(
  { method, headers }: Pick<Request, 'method' | 'headers'>,
  origins: ReadonlySet<string> = allowedOrigins(),
): Problem | null {
  const host = headers.get('host')?.toLowerCase() ?? ''
  const known = [...origins].filter((origin) => new URL(origin).host === host)
  if (!known.length)
    return new Problem(
      421,
      'other-host',
      'Mosaicus does not answer under this name',
      `It was asked for as "${host.slice(0, 100)}". Open it at ${[...origins][0]}, or name the host in MOSAICUS_HOSTS.`,
    )
  if (method === 'GET' || method === 'HEAD') return null
  const origin = headers.get('origin')
  const site = headers.get('sec-fetch-site')
  const foreign =
    (origin !== null && !known.includes(origin)) || (site !== null && !/^(same-origin|none)$/.test(site))
  return foreign
    ? new Problem(
        403,
        'other-site',
        'This change came from another site',
        'Only the pages of Mosaicus itself, or a program that sends no Origin header, may change data.',
      )
    : null
}
