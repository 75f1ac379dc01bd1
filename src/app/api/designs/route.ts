import { designForm } from '@/server/api/forms'
import { route } from '@/server/api/respond'
import { openDesign } from '@/server/designs/intake'

export const POST = route(async (request) => {
  const { bytes, name } = await designForm(request)
  return Response.json(await openDesign(bytes, name))
})
