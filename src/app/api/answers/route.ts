import { serve } from '@/server/api/serve'
import { formsAnswered } from '@/standins/answers/store'

export const GET = serve('GET /api/answers', () => ({ forms: formsAnswered() }))
