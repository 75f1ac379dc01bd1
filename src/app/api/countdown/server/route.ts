import { serveFile } from '@/server/api/serve'
import { countdownZip } from '@/server/motion/countdown/zip'

export const GET = serveFile('GET /api/countdown/server', async () => {
  const zip = await countdownZip()
  return new Response(new Uint8Array(zip), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="countdowns.zip"',
    },
  })
})
