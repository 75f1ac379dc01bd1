import { serveFile } from '@/server/api/serve'
import { onTasks, runningTasks } from '@/server/tasks'

/** A line now and then, so that nothing in between takes the stream for dead, ms. */
const PULSE = 15_000

/** Server-sent events (WHATWG HTML, 9.2). */
export const GET = serveFile('GET /api/tasks/events', ({ request }) => {
  let end = () => {}
  const body = new ReadableStream<string>({
    start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(text)
        } catch {
          end()
        }
      }
      const leave = onTasks((task) => send(`data: ${JSON.stringify(task)}\n\n`))
      const pulse = setInterval(() => send(':\n\n'), PULSE)
      end = () => {
        leave()
        clearInterval(pulse)
      }
      send(':\n\n')
      for (const task of runningTasks()) send(`data: ${JSON.stringify(task)}\n\n`)
    },
    cancel: () => end(),
  })
  request.signal.addEventListener('abort', () => end())
  return new Response(body.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  })
})
