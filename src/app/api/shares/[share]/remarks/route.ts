import { serve } from '@/server/api/serve'
import { addRemark } from '@/server/shares/shares'

export const POST = serve('POST /api/shares/:share/remarks', ({ params, body }) => ({
  remarks: addRemark(params.share, body),
}))
