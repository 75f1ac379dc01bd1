import { serve } from '@/server/api/serve'
import { changeClient, clientOf } from '@/server/jobs/clients'

export const GET = serve('GET /api/clients/:client', ({ params }) => clientOf(params.client))

export const PATCH = serve('PATCH /api/clients/:client', ({ params, body }) =>
  changeClient(params.client, body),
)
