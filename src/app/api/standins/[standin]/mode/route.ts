import { serve } from '@/server/api/serve'
import { notFound } from '@/server/problem'
import { modeOf, setMode, type Standin } from '@/standins/db'

const known = (name: string): Standin => {
  if (name === 'inbox' || name === 'platform' || name === 'answers') return name
  throw notFound('stand-in', name)
}

export const GET = serve('GET /api/standins/:standin/mode', ({ params }) => ({
  mode: modeOf(known(params.standin)),
}))

export const PUT = serve('PUT /api/standins/:standin/mode', ({ params, body }) => {
  setMode(known(params.standin), body.mode)
  return { mode: body.mode }
})
