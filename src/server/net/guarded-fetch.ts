import { lookup as dnsLookup, type LookupAddress } from 'node:dns'
import {
  request as httpRequest,
  type ClientRequest,
  type IncomingMessage,
  type RequestOptions,
} from 'node:http'
import { request as httpsRequest } from 'node:https'
import { isIP, type LookupFunction } from 'node:net'
import ipaddr from 'ipaddr.js'
import { Problem } from '../problem'

const refused = (why: string) => new Problem(422, 'address-refused', 'This address is not fetched', why)
const unreachable = (host: string, why: string) =>
  new Problem(
    502,
    'address-unreachable',
    'The address does not answer',
    `${host}: ${why}. Check it, or save the page and drop the file here instead.`,
  )

/**
 * Only addresses of the public internet: nothing of this machine, of private or local networks, or of a kind
 * set aside (RFC 6890).
 */
export function isPublic(address: string): boolean {
  if (!ipaddr.isValid(address)) return false
  // An IPv4 address inside an IPv6 one counts as what it leads to; those of RFC 6052, 3056 and 4380 have ranges of
  // their own.
  return ipaddr.process(address).range() === 'unicast'
}

export interface Fetched {
  address: string
  status: number
  type: string
  bytes: Buffer
  /** Names in lower case. */
  headers: Record<string, string>
}
export interface FetchLimits {
  /** bytes */ most: number
  /** For each answer, ms. */ patience: number
  /** When all of it has to be over, ms since 1970; 20 s from now unless said. */ until?: number
  /** Whether any answer is taken as it is: no redirect is followed, no status is a failure. */ asIs?: boolean
  /** Headers beside the usual ones. */ send?: Readonly<Record<string, string>>
  /** How names are resolved; tests set their own. */ lookup?: LookupFunction
  /** How an address is asked; tests set their own, which answers for hosts that do not exist. */ ask?: Ask
}

/** Asks an address, as `request` of node:http does. */
type Ask = (url: URL, options: RequestOptions, answered: (a: IncomingMessage) => void) => ClientRequest

const overNetwork: Ask = (url, options, answered) =>
  (url.protocol === 'https:' ? httpsRequest : httpRequest)(url, options, answered)

const MOST_REDIRECTS = 4

/** Longest that one address may take with all it leads to, ms. */
const MOST_TIME = 20_000

/** How long may still be waited, ms. */
const leftOf = ({ patience, until = Infinity }: FetchLimits): number =>
  Math.max(1, Math.min(patience, until - Date.now()))

/**
 * Fetches a public address for the person. Every address that its name resolves to is checked, the connection
 * goes to the very address that was checked (so that a name cannot change its mind in between), each redirect
 * is checked anew, and size and time are bounded. Throws a Problem that says why not.
 */
export async function guardedFetch(typed: string, asked: FetchLimits): Promise<Fetched> {
  let address = addressOf(typed)
  const until = asked.until ?? Date.now() + MOST_TIME
  const limits = { ...asked, until }
  for (let hop = 0; hop <= MOST_REDIRECTS; hop++) {
    const answer = await once(address, limits)
    const { statusCode = 0, headers } = answer
    if (!asked.asIs && statusCode >= 300 && statusCode < 400 && headers.location) {
      answer.destroy()
      if (!URL.canParse(headers.location, address))
        throw unreachable(address.host, 'it leads to an address that is none')
      address = addressOf(new URL(headers.location, address).href)
      continue
    }
    if (!asked.asIs && statusCode !== 200) {
      answer.destroy()
      throw unreachable(address.host, `it answered with status ${statusCode}`)
    }
    return {
      address: address.href,
      status: statusCode,
      type: (headers['content-type'] ?? '').split(';')[0]!.trim().toLowerCase(),
      bytes: await bodyOf(answer, address, limits),
      headers: Object.fromEntries(Object.entries(headers).map(([k, v]) => [k, String(v)])),
    }
  }
  throw unreachable(address.host, 'it leads from one address to the next without end')
}

function addressOf(typed: string): URL {
  // A host with a port, such as example.org:8080, looks like a scheme but for the figure behind its colon.
  const text = /^[a-z][a-z0-9+.-]*:(?!\d)/i.test(typed.trim()) ? typed.trim() : `https://${typed.trim()}`
  if (!URL.canParse(text))
    throw refused(`"${typed.slice(0, 100)}" is no address. Write it like https://example.org/page.`)
  const url = new URL(text)
  if (url.protocol !== 'http:' && url.protocol !== 'https:')
    throw refused(`Only http and https addresses are fetched, not ${url.protocol.slice(0, -1)}.`)
  if (url.username || url.password) throw refused('An address with a name or password in it is not fetched.')
  if (url.port && !['80', '443', '8080', '8443'].includes(url.port))
    throw refused(`Port ${url.port} is none that web pages use.`)
  const host = url.hostname.replace(/^\[|\]$/g, '')
  if (isIP(host) && !isPublic(host)) throw refused(`${host} belongs to this machine or a private network.`)
  return url
}

function once(url: URL, limits: FetchLimits): Promise<IncomingMessage> {
  const { lookup = dnsLookup as unknown as LookupFunction, ask: asked = overNetwork } = limits
  const patience = leftOf(limits)
  const guarded: LookupFunction = (host, options, done) => {
    lookup(host, { ...options, all: true }, (error, found) => {
      const list = (
        Array.isArray(found)
          ? found
          : [{ address: found as unknown as string, family: isIP(found as unknown as string) }]
      ) as LookupAddress[]
      if (error || !list.length) return done(error ?? new Error('no address'), '', 4)
      const bad = list.find((a) => !isPublic(a.address))
      if (bad)
        return done(
          Object.assign(
            new Error(`${host} leads to ${bad.address}, which belongs to this machine or a private network.`),
            { code: 'EPRIVATE' },
          ),
          '',
          4,
        )
      if ((options as { all?: boolean }).all)
        (done as unknown as (e: null, a: LookupAddress[]) => void)(null, list)
      else done(null, list[0]!.address, list[0]!.family)
    })
  }
  return new Promise((resolve, reject) => {
    const ask = asked(
      url,
      {
        lookup: guarded,
        headers: {
          'user-agent': 'Mosaicus',
          accept: 'text/html,text/css,image/*;q=0.9,*/*;q=0.5',
          'accept-encoding': 'identity',
          ...limits.send,
        },
      },
      resolve,
    )
    const late = () => ask.destroy(Object.assign(new Error('late'), { code: 'ETIMEDOUT' }))
    // Over all of the head: one that comes byte by byte is late too. The body has a time of its own.
    const timer = setTimeout(late, patience)
    ask.on('response', () => clearTimeout(timer))
    ask.on('close', () => clearTimeout(timer))
    ask.on('error', (e: NodeJS.ErrnoException) =>
      reject(
        e.code === 'EPRIVATE'
          ? refused(e.message)
          : unreachable(
              url.host,
              e.code === 'ETIMEDOUT'
                ? `no answer within ${Math.round(patience / 100) / 10} s`
                : e.code === 'ENOTFOUND' || e.code === 'EAI_AGAIN'
                  ? 'there is no such host, or no network'
                  : 'it could not be connected to',
            ),
      ),
    )
    ask.end()
  })
}

function bodyOf(answer: IncomingMessage, url: URL, limits: FetchLimits): Promise<Buffer> {
  const { most } = limits
  const patience = leftOf(limits)
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = []
    let size = 0
    const late = setTimeout(() => {
      answer.destroy()
      reject(unreachable(url.host, `it was not done within ${Math.round(patience / 100) / 10} s`))
    }, patience)
    answer.on('data', (part: Buffer) => {
      size += part.length
      if (size > most) {
        answer.destroy()
        clearTimeout(late)
        reject(
          new Problem(
            413,
            'too-heavy',
            'What stands there is too heavy',
            `${url.host} sends more than ${Math.round(most / 1048576)} MB.`,
          ),
        )
      } else parts.push(part)
    })
    answer.on('end', () => {
      clearTimeout(late)
      resolve(Buffer.concat(parts))
    })
    answer.on('error', () => {
      clearTimeout(late)
      reject(unreachable(url.host, 'the connection broke off'))
    })
  })
}
