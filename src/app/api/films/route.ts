import { serve } from '@/server/api/serve'
import { takeInFilm } from '@/server/films/films'

export const POST = serve('POST /api/films', ({ form }) => takeInFilm(form!.file('film')))
