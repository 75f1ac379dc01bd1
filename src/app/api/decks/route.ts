import { deckBody } from '@/server/api/contracts'
import { fileOf, readForm } from '@/server/api/forms'
import { readJson, route } from '@/server/api/respond'
import { deckFromFile, deckFromText } from '@/server/decks/read'
import { Problem } from '@/server/problem'

export const POST = route(async (request) => {
  if (request.headers.get('content-type')?.startsWith('multipart/')) {
    const file = await fileOf(await readForm(request, 20 * 1024 * 1024), 'file')
    if (!file) throw new Problem(400, 'no-file', 'No copy came', 'Send the file in the field "file".')
    return Response.json(await deckFromFile(file.bytes, file.name))
  }
  const { text, markdown } = await readJson(request, deckBody)
  return Response.json(deckFromText(text, markdown))
})
