import { serve } from '@/server/api/serve'
import { drawIcon } from '@/server/pictures/icons'

export const POST = serve('POST /api/icons', ({ body: { icon, ...look } }) => drawIcon(icon, look))
