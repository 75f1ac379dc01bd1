import { serve } from '@/server/api/serve'
import { changeKept, dropKept, keptOf, listKept } from '@/server/jobs/kept'

export const GET = serve('GET /api/clients/:client/kept/:kept', ({ params }) =>
  keptOf(params.client, params.kept),
)

export const PUT = serve('PUT /api/clients/:client/kept/:kept', ({ params, body }) =>
  changeKept(params.client, params.kept, body),
)

export const DELETE = serve('DELETE /api/clients/:client/kept/:kept', ({ params }) => {
  dropKept(params.client, params.kept)
  return { kept: listKept(params.client) }
})
