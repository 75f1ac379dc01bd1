import { serve } from '@/server/api/serve'
import { drawMosaic } from '@/server/pictures/drawings'

export const POST = serve('POST /api/drawings', ({ body: { colors, ...drawing } }) =>
  drawMosaic(drawing, colors),
)
