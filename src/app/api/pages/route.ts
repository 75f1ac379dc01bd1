import { pageBody } from '@/server/api/contracts'
import { fileOf, readForm } from '@/server/api/forms'
import { readJson, route } from '@/server/api/respond'
import { pageFromAddress, pageFromFile, pageOf } from '@/server/house/page'
import { Problem } from '@/server/problem'

export const POST = route(async (request) => {
  if (request.headers.get('content-type')?.startsWith('multipart/')) {
    const file = await fileOf(await readForm(request, 20 * 1024 * 1024), 'file')
    if (!file) throw new Problem(400, 'no-file', 'No page came', 'Send the saved page in the field "file".')
    return Response.json(await pageFromFile(file.bytes, file.name))
  }
  const { html, css, address } = await readJson(request, pageBody)
  return Response.json(address ? await pageFromAddress(address) : pageOf(html ?? '', css))
})
