import { serveLong } from '@/server/api/serve'
import { looksOfAddress, looksOfFile, looksOfSource } from '@/server/house/page'

export const POST = serveLong(
  'POST /api/pages',
  ({ body }) => `Reading ${body?.address ?? 'a page'}`,
  async ({ form, body }, tell, signal) => {
    if (form) {
      const { content, name } = form.file('file')
      return looksOfFile(content, name, signal)
    }
    return body.address
      ? looksOfAddress(body.address, {}, { tell, signal })
      : looksOfSource(body.html ?? '', body.css, signal)
  },
)
