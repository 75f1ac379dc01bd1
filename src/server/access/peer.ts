import { subscribe } from 'node:diagnostics_channel'
import type { IncomingMessage } from 'node:http'
import ipaddr from 'ipaddr.js'
import { isOwnName } from '../api/own-site'

/** The header in which the app itself notes whose connection a request came over; what a request says there is overwritten. */
export const PEER = 'x-mosaicus-peer'

/** Notes on every request, before anything looks at it, the address of the other end of its connection: the one thing a request cannot say of itself. */
export function notePeers(): void {
  subscribe('http.server.request.start', (message) => {
    const { request } = message as { request: IncomingMessage }
    request.headers[PEER] = request.socket.remoteAddress ?? ''
  })
}

/** An address as it is compared: without the IPv6 form of an IPv4 address (RFC 4291, 2.5.5.2), a zone or a port; '' where it is none. */
function plain(said: string): string {
  const bare = said
    .trim()
    .replace(/^\[([^\]]*)\](?::\d+)?$/, '$1')
    .split('%')[0]!
  const address = /^\d+\.\d+\.\d+\.\d+:\d+$/.test(bare) ? bare.split(':')[0]! : bare
  return ipaddr.isValid(address) ? ipaddr.process(address).toString() : ''
}

/** Proxies whose word on who asks counts (`MOSAICUS_PROXY`: their addresses, parted by commas). */
const proxies = (env: Record<string, string | undefined> = process.env): ReadonlySet<string> =>
  new Set((env.MOSAICUS_PROXY ?? '').split(',').map(plain).filter(Boolean))

/** The address that asks: that of the connection, or behind a named proxy the last that its X-Forwarded-For names; '' where it is not known. */
export function addressOf(headers: Headers): string {
  const peer = plain(headers.get(PEER) ?? '')
  const named = proxies()
  if (!named.has(peer)) return peer
  const chain = (headers.get('x-forwarded-for') ?? '').split(',').map(plain).filter(Boolean)
  return chain.findLast((a) => !named.has(a)) ?? peer
}

/** What counts as one asker: an IPv4 address, or the /64 that a household or a machine has of IPv6 (RFC 6177). */
export function askerOf(headers: Headers): string {
  const address = addressOf(headers)
  if (!address.includes(':')) return address
  const { parts } = ipaddr.parse(address) as ipaddr.IPv6
  return `${parts
    .slice(0, 4)
    .map((p) => p.toString(16))
    .join(':')}::/64`
}

/** Whether a request comes from this machine and asks for it by its own name. The name alone can be said by anybody. */
export function fromOwnMachine(headers: Headers): boolean {
  const address = addressOf(headers)
  return (
    address !== '' && ipaddr.parse(address).range() === 'loopback' && isOwnName(headers.get('host') ?? '')
  )
}
