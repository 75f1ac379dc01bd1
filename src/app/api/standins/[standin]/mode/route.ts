import { modeBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { notFound } from '@/server/problem'
import { modeOf, setMode, type Standin } from '@/standins/db'

const known = (name: string): Standin => {
  if (name === 'inbox' || name === 'platform') return name
  throw notFound('stand-in', name)
}

export const GET = route<{ standin: string }>((_, { standin }) =>
  Response.json({ mode: modeOf(known(standin)) }),
)

export const PUT = route<{ standin: string }>(async (request, { standin }) => {
  const name = known(standin)
  const { mode } = await readJson(request, modeBody)
  setMode(name, mode)
  return Response.json({ mode })
})
