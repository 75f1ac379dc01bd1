import { Problem } from '../problem'

/** Names under which a browser reaches this machine itself. */
const own = ['127.0.0.1', 'localhost', '[::1]']

/**
 * The origins the app answers at (RFC 6454): its port on this machine, and those named in `MOSAICUS_HOSTS`, such as
 * `https://studio.example, desk:4310`.
 */
export function allowedOrigins(env: Record<string, string | undefined> = process.env): ReadonlySet<string> {
  const port = env.PORT ?? '4310'
  const named = (env.MOSAICUS_HOSTS ?? '')
    .split(',')
    .map((host) => host.trim())
    .filter(Boolean)
    .map((host) => (host.includes('://') ? host : `http://${host}`))
    .filter((address) => URL.canParse(address))
  return new Set([...own.map((host) => `http://${host}:${port}`), ...named].map((a) => new URL(a).origin))
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
