import { serve } from '@/server/api/serve'
import { takeInFont } from '@/server/fonts/fonts'

export const POST = serve('POST /api/fonts', ({ form }) => takeInFont(form!.file('font')))
