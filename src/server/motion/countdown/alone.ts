/**
 * Countdowns alone: a small server for any host that runs Node 20 or newer. It answers every path with the picture that its query describes (docs/formats.md),
 * and keeps when each key opened a countdown that runs for a span in `openings.json` beside it. Usage: PORT=8080 node countdown.mjs
 */
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { setFirst } from '@/core/motion/countdown/gif'
import { leftOf } from '@/core/motion/countdown/open'
import { countdownQuery, designOf } from '@/core/motion/countdown/query'
import { countdownPicture } from './draw'

/** @param folder where its fonts lie, and where openings are kept */
export function countdownServer(folder: string, clock: () => number = Date.now): Server {
  const kept = join(folder, 'openings.json')
  const openings: Record<string, number> = existsSync(kept)
    ? (JSON.parse(readFileSync(kept, 'utf8')) as Record<string, number>)
    : {}
  const firstOpened = (span: number | undefined, key: string, now: number): number => {
    const id = createHash('sha256')
      .update(JSON.stringify([span, key]))
      .digest('hex')
    if (openings[id] === undefined) {
      openings[id] = now
      writeFileSync(`${kept}.new`, JSON.stringify(openings))
      renameSync(`${kept}.new`, kept)
    }
    return openings[id]
  }
  return createServer((request, response) => {
    try {
      const { searchParams } = new URL(request.url ?? '/', 'http://localhost')
      const q = countdownQuery.parse(Object.fromEntries(searchParams))
      const now = clock()
      const left = leftOf(q, now, (key) => firstOpened(q.span, key, now))
      const seconds = Math.ceil(left / 1000)
      const gif = countdownPicture({ design: designOf(q), left: seconds, fonts: join(folder, 'fonts') })
      response.writeHead(200, {
        'content-type': 'image/gif',
        'cache-control': 'no-cache, no-store, must-revalidate, private, max-age=0',
        expires: '0',
      })
      response.end(setFirst(gif, seconds ? left - (seconds - 1) * 1000 : 1000))
    } catch (error) {
      response.writeHead(400, { 'content-type': 'text/plain; charset=utf-8' })
      response.end(`This countdown cannot be drawn: ${(error as Error).message}\n`)
    }
  })
}

if (process.argv[1]?.endsWith('countdown.mjs')) {
  const port = Number(process.env.PORT ?? 8080)
  countdownServer(dirname(fileURLToPath(import.meta.url))).listen(port, () =>
    console.log(`Countdowns at http://localhost:${port}/`),
  )
}
