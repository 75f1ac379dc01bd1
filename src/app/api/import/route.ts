import { importBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { importFile, importHtml } from '@/server/import/import'
import { Problem } from '@/server/problem'

export const POST = route(async (request) => {
  if (request.headers.get('content-type')?.includes('application/json'))
    return Response.json(importHtml((await readJson(request, importBody)).html))
  if (Number(request.headers.get('content-length') ?? 0) > 41 * 1024 * 1024)
    throw new Problem(413, 'too-heavy', 'The file is too heavy', 'At most 40 MB can be brought in.')
  const form = await request.formData().catch(() => null)
  const file = form?.get('file')
  if (!(file instanceof File))
    throw new Problem(
      400,
      'no-file',
      'No file came',
      'Send multipart/form-data with the file in the field "file", or JSON with the source in "html".',
    )
  return Response.json(await importFile(Buffer.from(await file.arrayBuffer()), file.name))
})
