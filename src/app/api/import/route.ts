import { serveLong } from '@/server/api/serve'
import { takeInAddress, takeInEmail, takeInHtml } from '@/server/import/take-in'

export const POST = serveLong(
  'POST /api/import',
  () => 'Reading an email made elsewhere',
  async ({ form, body }, _, signal) => {
    if (!form) return body.address ? takeInAddress(body.address, signal) : takeInHtml(body.html!, signal)
    const { content, name } = form.file('file')
    return takeInEmail(content, name, signal)
  },
)
