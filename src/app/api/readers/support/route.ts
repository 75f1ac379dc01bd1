import { serve } from '@/server/api/serve'
import { supportOfReaders } from '@/server/interact/readers'

export const GET = serve('GET /api/readers/support', () => supportOfReaders())
