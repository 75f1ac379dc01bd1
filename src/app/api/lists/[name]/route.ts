import { serve } from '@/server/api/serve'
import { answersAddress } from '@/core/interact/addresses'
import { keepList } from '@/standins/answers/store'

export const PUT = serve('PUT /api/lists/:name', ({ params, body }) => {
  keepList(params.name, JSON.stringify(body.list))
  return { address: answersAddress('lists').concat(`/${encodeURIComponent(params.name)}`) }
})
