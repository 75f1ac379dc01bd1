import { getList } from '@/standins/answers/api'

export const GET = async (request: Request, { params }: { params: Promise<{ name: string }> }) =>
  getList(request, (await params).name)
