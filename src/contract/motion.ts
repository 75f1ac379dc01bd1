import { countdownQuery } from '@/core/motion/countdown/query'
import { filmRefSchema } from '@/core/motion/made'
import { routesOf } from './route'

export const motionRoutes = routesOf({
  'POST /api/films': {
    does: 'Takes in a film, from which moving pictures are made.',
    form: { files: { film: 'MP4, MOV or WebM' }, most: 250 },
    gives: filmRefSchema,
    status: 201,
    problems: '413, 415 not-a-film',
  },
  'GET /api/films/:film': {
    does: 'A film, or the part that `Range` asks for.',
    gives: 'video/*',
    problems: '404, 416',
  },
  'GET /api/countdown': {
    does: 'The next minute of a countdown as a moving GIF, right to the second, made when it is opened. Open to all.',
    query: countdownQuery,
    gives: 'image/gif',
    problems: '422 no-such-moment',
  },
  'GET /api/countdown/server': {
    does: 'The same as a small server to host elsewhere, with its fonts, as a ZIP.',
    gives: 'application/zip',
  },
})
