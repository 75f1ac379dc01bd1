import { ownAddress } from '@/server/settings'
import { postTemplate } from '@/standins/platform/api'

export const POST = (request: Request) => postTemplate(request, ownAddress())
