import { changeClientBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { changeClient, clientOf } from '@/server/jobs/clients'

export const GET = route<{ client: string }>((_, { client }) => Response.json(clientOf(client)))

export const PATCH = route<{ client: string }>(async (request, { client }) =>
  Response.json(changeClient(client, await readJson(request, changeClientBody))),
)
