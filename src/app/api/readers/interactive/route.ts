import { serve } from '@/server/api/serve'
import { readersOfParts } from '@/server/interact/readers'

export const GET = serve('GET /api/readers/interactive', () => readersOfParts())
