import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { FetchLimits } from '@/server/net/guarded-fetch'

/**
 * A host on the web for tests: whatever its name, it stands at a public address and answers as told. It runs from before the tests
 * of a file until after them.
 * @param answers type and body, by path
 * @returns how it is asked
 */
export function hostOf(
  answers: Readonly<Record<string, readonly [type: string, body: string | Buffer]>>,
): Pick<FetchLimits, 'lookup' | 'ask'> {
  let server: Server
  beforeAll((done) => {
    server = createServer((q, r) => {
      const answer = answers[q.url!]
      if (answer) r.writeHead(200, { 'content-type': answer[0] }).end(answer[1])
      else r.writeHead(404).end()
    }).listen(0, '127.0.0.1', done)
  })
  afterAll(() => void server.close())
  return {
    lookup: (_, __, done) =>
      (done as unknown as (e: null, a: { address: string; family: number }[]) => void)(null, [
        { address: '93.184.216.34', family: 4 },
      ]),
    ask: (url, { headers }, answered) =>
      request(
        {
          host: '127.0.0.1',
          port: (server.address() as AddressInfo).port,
          path: `${url.pathname}${url.search}`,
          headers: { ...headers },
        },
        answered,
      ),
  }
}
