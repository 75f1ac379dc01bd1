import { NextResponse, type NextRequest } from 'next/server'
import { closedTo, fromInside } from './server/access/gate'
import { refusal } from './server/api/own-site'
import { problemResponse } from './server/api/respond'
import { DatabaseTrouble } from './server/db/trouble'
import { Problem } from './server/problem'

/**
 * What the app's pages may load (Content Security Policy Level 3). Only scripts of the app run, each with the
 * answer's own nonce. Pictures and sheets from elsewhere are let in here and kept out by the policy of each frame
 * (src/ui/parts/framed.ts), since a frame within a page is under both.
 */
const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'`,
    "style-src 'self' 'unsafe-inline' http: https:",
    'img-src * data: blob:',
    'font-src * data:',
    "connect-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'self'",
  ].join('; ')

/**
 * Requests for pages pass here first. Those for the API do not, since their bodies would be held in memory on the way;
 * but for those with an escape in their path, which no address of ours has.
 */
export const config = { matcher: ['/((?!api/).*)', '/api/(.*%.*)'] }

/** Whether the escapes of a path are UTF-8 (RFC 3986, section 2.5). */
function decodes(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

const badPath = new Problem(
  400,
  'bad-path',
  'This address cannot be read',
  'Its path holds an escape that stands for no character. Check the address.',
)

/** Why a request is not let in, also where the database cannot say. */
function gateOf(request: NextRequest): Problem | null {
  try {
    return closedTo(request)
  } catch (error) {
    if (error instanceof DatabaseTrouble) return error
    throw error
  }
}

export function proxy(request: NextRequest): Response {
  // The app itself asks its stand-ins as readers do, under the names of theirs.
  const refused = fromInside(request.headers) ? null : refusal(request)
  if (refused) return problemResponse(refused)
  const { pathname } = new URL(request.url)
  if (!decodes(pathname)) return problemResponse(badPath)
  if (pathname.startsWith('/api/')) return NextResponse.next()
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64')
  const csp = policy(nonce)
  // The framework reads the nonce off the request, for the scripts it writes.
  const asked = new Headers(request.headers)
  asked.set('content-security-policy', csp)
  asked.set('x-nonce', nonce)
  const closed = gateOf(request)
  if (closed instanceof DatabaseTrouble) {
    if (pathname.includes('/v1/')) return problemResponse(closed)
    const page = NextResponse.rewrite(new URL('/trouble', request.url), { request: { headers: asked } })
    page.headers.set('content-security-policy', csp)
    return page
  }
  // A person sees the way in at the address that was asked for; the other side of the stand-in is no page.
  if (closed && (closed.status !== 401 || pathname.includes('/v1/'))) return problemResponse(closed)
  const answer = closed
    ? NextResponse.rewrite(new URL('/enter', request.url), { request: { headers: asked } })
    : NextResponse.next({ request: { headers: asked } })
  answer.headers.set('content-security-policy', csp)
  return answer
}
