import { z } from 'zod'
import { layersSchema } from '@/core/cut/layers'
import { count, day, jobSummary, name, notes, plan, revision } from './parts'
import { routesOf } from './route'

const width = z.number().int().min(320).max(900)
const board = z.coerce.number().int().min(0).optional()

const DESIGN =
  'PNG, JPEG, WebP, AVIF, SVG, PDF or a layered file; at most 60 megapixels and 60 MB, judged by its content'
const NOT_A_DESIGN =
  '400 no-design, 404, 413 design-too-heavy and design-too-large, 415 not-a-design, design-locked'

export const jobRoutes = routesOf({
  'POST /api/designs': {
    does: "Opens a design's file and says what can be chosen in it. Starts no job and keeps nothing.",
    form: { files: { design: DESIGN }, most: 120 },
    gives: z.object({
      type: z.enum(['picture', 'svg', 'pdf', 'layered']),
      boards: z.array(
        z.object({
          name: z.string(),
          width: z.number(),
          height: z.number(),
          emailWidth: z.number(),
          density: z.number(),
          narrow: z.boolean(),
        }),
      ),
    }),
    remark: 'the last three of a board are guesses',
    problems: NOT_A_DESIGN,
    long: true,
  },
  'GET /api/jobs': {
    does: 'All jobs, the latest changed first; `archived=true` gives the archived ones.',
    query: z.object({ archived: z.enum(['true', 'false']).optional() }),
    gives: z.object({ jobs: z.array(jobSummary), count: z.object({ open: count, archived: count }) }),
  },
  'POST /api/jobs': {
    does: 'Starts a job from a design, or from nothing where none is sent; `board` and `narrowBoard` choose a page or artboard, counted from 0.',
    form: {
      files: { design: DESIGN, narrow: 'a narrow design of the same email, if there is one' },
      fields: z.object({
        clientId: z.string().min(1, 'choose a client'),
        name,
        width: z.coerce.number().int().min(320).max(900).default(600),
        due: day.optional(),
        board,
        narrowBoard: board,
      }),
      most: 120,
    },
    gives: jobSummary.extend({ notes }),
    status: 201,
    problems: NOT_A_DESIGN,
    long: true,
  },
  'GET /api/jobs/:job': { does: 'One job.', gives: jobSummary, problems: '404' },
  'PATCH /api/jobs/:job': {
    does: 'Renames a job, sets its day or the width of its email (and so the density of its design), archives it or brings it back, or lets its previews load pictures from elsewhere.',
    body: z.object({
      name: name.optional(),
      due: day.nullable().optional(),
      archived: z.boolean().optional(),
      remote: z.boolean().optional(),
      width: width.optional(),
    }),
    gives: jobSummary,
    problems: '404, 422',
  },
  'POST /api/jobs/:job/duplicate': {
    does: 'Copies a job with its cuts and email.',
    gives: jobSummary,
    status: 201,
    problems: '404',
  },
  'PUT /api/jobs/:job/design': {
    does: 'Replaces the design, or with `role` `narrow` sets the narrow one. Cuts whose place still fits stay, those that moved go along, and moved and changed ones are flagged.',
    form: {
      files: { design: DESIGN },
      fields: z.object({ role: z.enum(['wide', 'narrow']).optional(), board }),
      most: 120,
    },
    gives: z.object({
      job: jobSummary,
      plan: plan.nullable(),
      revision: revision.describe('of the plan'),
      kept: count,
      moved: count,
      changed: count,
      notes,
    }),
    problems: NOT_A_DESIGN,
    long: true,
  },
  'DELETE /api/jobs/:job/design': {
    does: 'Takes the narrow design away.',
    gives: z.object({ job: jobSummary }),
    problems: '404',
  },
  'GET /api/jobs/:job/layers': {
    does: "What the design's file knows beyond its pixels: words with their look, pictures and shapes.",
    gives: z.object({ layers: layersSchema.nullable() }),
    remark: '`layers` is null where it was a picture',
    problems: '404',
  },
})
