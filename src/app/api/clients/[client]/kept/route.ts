import { serve } from '@/server/api/serve'
import { keepPart, listKept } from '@/server/jobs/kept'

export const GET = serve('GET /api/clients/:client/kept', ({ params, query }) => ({
  kept: listKept(params.client, query.search),
}))

export const POST = serve('POST /api/clients/:client/kept', ({ params, body }) =>
  keepPart(params.client, body),
)
