import { getTemplate } from '@/standins/platform/api'

export const GET = async (request: Request, { params }: { params: Promise<{ template: string }> }) =>
  getTemplate(request, (await params).template)
