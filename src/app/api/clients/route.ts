import { serve } from '@/server/api/serve'
import { createClient, listClients } from '@/server/jobs/clients'

export const GET = serve('GET /api/clients', () => ({ clients: listClients() }))

export const POST = serve('POST /api/clients', ({ body }) => createClient(body.name, body.house))
