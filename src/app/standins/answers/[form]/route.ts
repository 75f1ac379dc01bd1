import { askAnswer, postAnswer } from '@/standins/answers/api'

type Context = { params: Promise<{ form: string }> }

export const POST = async (request: Request, { params }: Context) => postAnswer(request, (await params).form)
export const GET = async (request: Request, { params }: Context) => askAnswer(request, (await params).form)
