import { serve } from '@/server/api/serve'
import { bringLanguage, languagesHere } from '@/server/reading/languages'

export const GET = serve('GET /api/reading', () => ({ languages: languagesHere() }))

export const POST = serve('POST /api/reading', async ({ body }) => {
  await bringLanguage(body.language)
  return { languages: languagesHere() }
})
