import { newClientBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { createClient, listClients } from '@/server/jobs/clients'

export const GET = route(() => Response.json({ clients: listClients() }))

export const POST = route(async (request) => {
  const { name, house } = await readJson(request, newClientBody)
  return Response.json(createClient(name, house), { status: 201 })
})
