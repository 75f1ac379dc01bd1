import { serveLong } from '@/server/api/serve'
import { openDesign } from '@/server/designs/take-in'

export const POST = serveLong(
  'POST /api/designs',
  () => 'Opening a design',
  async ({ form }, _, signal) => {
    const { bytes, name } = await form!.file('design')
    return openDesign(bytes, name, signal)
  },
)
