import { serveLong } from '@/server/api/serve'
import { deckOfText } from '@/server/decks/read'
import { compute } from '@/server/pool'

export const POST = serveLong(
  'POST /api/decks',
  () => 'Reading the copy',
  async ({ form, body }, _, signal) =>
    form ? compute('deckOfFile', await form.file('file'), { signal }) : deckOfText(body.text, body.markdown),
)
