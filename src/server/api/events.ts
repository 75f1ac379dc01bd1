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
  let open = true
  let end = () => void (open = false)
  const body = new ReadableStream<string>({
    start(controller) {
      const write = (text: string) => {
        // A page that has gone is told nothing more.
        if (!open) return
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
        if (!open) return
        open = false
        leave()
        clearInterval(pulse)
        try {
          controller.close()
        } catch {
          // It has been closed from the other end.
        }
      }
      if (request.signal.aborted) end()
    },
    cancel: () => end(),
  })
  request.signal.addEventListener('abort', () => end())
  return new Response(body.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  })
}
