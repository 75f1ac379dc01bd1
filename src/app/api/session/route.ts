import { accessFor, cookieOf, enter, leave } from '@/server/access/gate'
import type { WrongTries } from '@/server/access/tries'
import { serve, serveFile } from '@/server/api/serve'

/** Says whether the way is open now, and tells the browser so. */
const answer = (request: Request, token: string | null, tries: WrongTries[] = []) =>
  Response.json(
    { passphrase: true, open: token !== null, tries },
    { headers: { 'set-cookie': cookieOf(request, token), 'cache-control': 'no-store' } },
  )

export const GET = serve('GET /api/session', ({ request }) => accessFor(request))

export const POST = serveFile('POST /api/session', async ({ request, body }) => {
  const { token, tries } = await enter(body.passphrase, request.headers)
  return answer(request, token, tries)
})

export const DELETE = serveFile('DELETE /api/session', ({ request }) => {
  leave(request)
  return answer(request, null)
})
