import { serveLong } from '@/server/api/serve'
import { openDesign } from '@/server/designs/take-in'

export const POST = serveLong(
  'POST /api/designs',
  () => 'Opening a design',
  async ({ form }, _, signal) => {
    const { content, name } = form!.file('design')
    return openDesign(content, name, signal)
  },
)
