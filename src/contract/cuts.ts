import { z } from 'zod'
import { cutSchema, panelSchema } from '@/core/cut/plan'
import { count, email, notes, picture, plan, rect, revision, sentPlan } from './parts'
import { routesOf } from './route'

const crop = z.object({
  picture,
  likeness: z.number().describe('SSIM against the crop, 0 to 1'),
  plain: count.describe('bytes of the same pixels as a plain PNG'),
})
export const cropFigure = crop.extend({
  cut: z.string(),
  narrow: crop.optional().describe('the part that phones show instead'),
})

export const cutRoutes = routesOf({
  'GET /api/jobs/:job/plan': {
    does: 'The cut plan as an open file (docs/formats.md): JSON, an image map over the design, or a ZIP of both with all crops.',
    query: z.object({ as: z.enum(['json', 'svg', 'zip']).optional() }),
    gives: 'application/json, image/svg+xml or application/zip',
    problems: '404',
  },
  'POST /api/jobs/:job/plan': {
    does: 'Makes all crops that the ZIP of the plan needs, telling of each.',
    gives: z.object({ bytes: count }),
    problems: '404',
    long: true,
  },
  'POST /api/jobs/:job/autocut': {
    does: 'Finds the bands of the design, their columns and parts, by its pixels and by what its file knows. Saves nothing.',
    gives: z.object({
      edges: z.array(z.object({ y: z.number(), why: z.enum(['ground', 'seam', 'rule', 'gutter']) })),
      panels: z.array(panelSchema),
      cuts: z.array(cutSchema),
      uncovered: z.array(rect).describe('what no cut covers though something stands there'),
    }),
    problems: '404',
    long: true,
  },
  'GET /api/jobs/:job/cuts': {
    does: 'The cut plan.',
    gives: z.object({ revision, plan }),
    remark: 'revision 0 and an empty plan where none was saved',
    problems: '404',
  },
  'PUT /api/jobs/:job/cuts': {
    does: 'Saves the cut plan over the revision it started from. Cuts may neither overlap nor leave the design.',
    body: z.object({ revision, plan: sentPlan }),
    gives: z.object({ revision, plan }),
    problems: '409 stale-revision, 422 cuts-overlap, cut-outside, cut-ids',
  },
  'POST /api/jobs/:job/crops': {
    does: 'Encodes the picture cuts of the saved plan, or of one sent along: the lighter of palette PNG and JPEG at SSIM 0.98 or better, unless the cut asks otherwise. Remembered by content.',
    body: z.object({ plan: sentPlan.optional() }),
    gives: z.object({ crops: z.array(cropFigure), bytes: count }),
    problems: '404, 422',
    long: true,
  },
  'POST /api/jobs/:job/build': {
    does: 'Builds the email from the cut plan. Built again, it keeps words, alt texts, links and everything added by hand. Email and plan are saved together or not at all.',
    gives: z.object({ email, revision, plan, cutsRevision: revision, notes }),
    problems: '409 no-cuts, stale-revision',
    long: true,
  },
})
