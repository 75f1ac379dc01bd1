import { serve } from '@/server/api/serve'
import { listTemplates } from '@/standins/platform/store'

export const GET = serve('GET /api/standins/platform/templates', () => ({ templates: listTemplates() }))
