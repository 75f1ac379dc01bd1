import { ownAddress } from '@/server/settings'
import { postPicture } from '@/standins/platform/api'

export const POST = (request: Request) => postPicture(request, ownAddress())
