import { counted } from '@/core/interact/answers'
import { serve } from '@/server/api/serve'
import { answersOf, clearAnswers } from '@/standins/answers/store'

/** Most answers that are shown at once. */
const SHOWN = 500

export const GET = serve('GET /api/answers/:form', ({ params }) => {
  const answers = answersOf(params.form)
  return { total: answers.length, answers: answers.slice(0, SHOWN), counted: counted(answers) }
})

export const DELETE = serve('DELETE /api/answers/:form', ({ params }) => {
  clearAnswers(params.form)
  return { total: 0 }
})
