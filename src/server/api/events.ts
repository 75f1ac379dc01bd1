/** A line now and then, so that nothing in between takes the stream for dead, ms. */
const PULSE = 15_000

/**
 * Server-sent events (WHATWG HTML, 9.2), until the reader goes away.
 * @param begin starts telling, and gives what ends it
 */
export function eventStream(
  request: Request,
  begin: (send: (message: unknown) => void) => () => void,
): Response {
  let end = () => {}
  const body = new ReadableStream<string>({
    start(controller) {
      const write = (text: string) => {
        try {
          controller.enqueue(text)
        } catch {
          end()
        }
      }
      write(':\n\n')
      const leave = begin((message) => write(`data: ${JSON.stringify(message)}\n\n`))
      const pulse = setInterval(() => write(':\n\n'), PULSE)
      end = () => {
        leave()
        clearInterval(pulse)
      }
    },
    cancel: () => end(),
  })
  request.signal.addEventListener('abort', () => end())
  return new Response(body.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  })
}
