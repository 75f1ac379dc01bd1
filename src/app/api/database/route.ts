import { fromOwnMachine } from '@/server/access/peer'
import { serve } from '@/server/api/serve'
import { databaseState, mendDatabase } from '@/server/db/state'
import { Problem } from '@/server/problem'

/** A database that cannot be read cannot say who may come in, so its own machine alone may. */
function ownMachineOnly({ headers }: Request): void {
  if (!fromOwnMachine(headers))
    throw new Problem(
      403,
      'other-machine',
      'This is done on the machine of the app',
      'Its database cannot be opened, so nobody can be let in from elsewhere. Open the app on its own machine.',
    )
}

export const GET = serve('GET /api/database', ({ request }) => {
  ownMachineOnly(request)
  return databaseState()
})

export const POST = serve('POST /api/database', async ({ request, body }) => {
  ownMachineOnly(request)
  const mended = mendDatabase(body.copy)
  const { begin } = await import('@/begin')
  await begin()
  return mended
})
