import { route } from '@/server/api/respond'
import { listTemplates } from '@/standins/platform/store'

export const GET = route(() => Response.json({ templates: listTemplates() }))
