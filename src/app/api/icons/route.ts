import { iconBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { drawIcon } from '@/server/pictures/icons'

export const POST = route(async (request) => {
  const { icon, ...look } = await readJson(request, iconBody)
  return Response.json(await drawIcon(icon, look), { status: 201 })
})
