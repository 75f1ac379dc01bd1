import { serveLong } from '@/server/api/serve'
import { looksOfAddress, looksOfFile, looksOfSource } from '@/server/house/page'

export const POST = serveLong(
  'POST /api/pages',
  ({ body }) => `Reading ${body?.address ?? 'a page'}`,
  async ({ form, body }, _, signal) => {
    if (form) {
      const { bytes, name } = await form.file('file')
      return looksOfFile(bytes, name, signal)
    }
    return body.address ? looksOfAddress(body.address) : looksOfSource(body.html ?? '', body.css, signal)
  },
)
