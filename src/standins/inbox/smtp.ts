import { SMTPServer } from 'smtp-server'
import { modeOf } from '../db'
import { receive } from './store'

const held = globalThis as typeof globalThis & { mosaicusSmtp?: SMTPServer }

/** Most bytes of one message, as mail servers commonly set it. */
const MOST = 40 * 1024 * 1024

/** Starts the inbox stand-in: a real SMTP server (RFC 5321) on this machine only. */
export function startInbox(port: number): void {
  if (held.mosaicusSmtp) return
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    size: MOST,
    banner: 'Mosaicus inbox stand-in',
    logger: false,
    onRcptTo(_address, _session, done) {
      const mode = modeOf('inbox')
      if (mode === 'refuse')
        return done(
          Object.assign(new Error('Mailbox unavailable (the stand-in is set to refuse)'), {
            responseCode: 550,
          }),
        )
      if (mode === 'expire')
        return done(
          Object.assign(new Error('Authentication has run out (the stand-in is set so)'), {
            responseCode: 535,
          }),
        )
      if (mode === 'slow') return void setTimeout(() => done(), 4000)
      done()
    },
    onData(stream, session, done) {
      const chunks: Buffer[] = []
      stream.on('data', (c: Buffer) => chunks.push(c))
      stream.on('end', () => {
        if (stream.sizeExceeded)
          return done(Object.assign(new Error('Message too large'), { responseCode: 552 }))
        if (modeOf('inbox') === 'mangle')
          return done(
            Object.assign(new Error('Transaction failed (the stand-in is set to garble)'), {
              responseCode: 554,
            }),
          )
        receive(
          Buffer.concat(chunks),
          session.envelope.mailFrom ? session.envelope.mailFrom.address : '',
          session.envelope.rcptTo.map((r) => r.address),
        )
        done()
      })
    },
  })
  server.on('error', (error) => console.error(`Inbox stand-in: ${error.message}`))
  server.listen(port, '127.0.0.1')
  held.mosaicusSmtp = server
}

/** Stops the inbox stand-in and frees its port. */
export const stopInbox = (): Promise<void> =>
  new Promise((done) => {
    const server = held.mosaicusSmtp
    held.mosaicusSmtp = undefined
    if (server) server.close(() => done())
    else done()
  })
