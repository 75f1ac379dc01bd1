import { answersCsv } from '@/core/interact/answers'
import { serveFile } from '@/server/api/serve'
import { answersOf } from '@/standins/answers/store'

export const GET = serveFile('GET /api/answers/:form/export', ({ params, query }) => {
  const answers = answersOf(params.form)
  const csv = query.as === 'csv'
  return new Response(csv ? answersCsv(answers) : JSON.stringify(answers, null, 2), {
    headers: {
      'content-type': csv ? 'text/csv; charset=utf-8' : 'application/json',
      'content-disposition': `attachment; filename="answers.${query.as}"`,
    },
  })
})
