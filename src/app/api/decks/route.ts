import { serveLong } from '@/server/api/serve'
import { compute } from '@/server/pool'

export const POST = serveLong(
  'POST /api/decks',
  () => 'Reading the copy',
  async ({ form, body }, _, signal) =>
    form ? compute('deckOfFile', form.file('file'), { signal }) : compute('deckOfText', body, { signal }),
)
