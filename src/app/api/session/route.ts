import { accessFor, cookieOf, enter, leave } from '@/server/access/gate'
import { serve, serveFile } from '@/server/api/serve'

/** Says whether the way is open now, and tells the browser so. */
const answer = (request: Request, token: string | null) =>
  Response.json(
    { passphrase: true, open: token !== null },
    { headers: { 'set-cookie': cookieOf(request, token), 'cache-control': 'no-store' } },
  )

export const GET = serve('GET /api/session', ({ request }) => accessFor(request))

export const POST = serveFile('POST /api/session', async ({ request, body }) =>
  answer(request, await enter(body.passphrase)),
)

export const DELETE = serveFile('DELETE /api/session', ({ request }) => {
  leave(request)
  return answer(request, null)
})
