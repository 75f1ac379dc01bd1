import nodemailer from 'nodemailer'
import { z } from 'zod'
import { Problem } from '../../problem'
import { smtpPort } from '../../settings'
import type { Delivering, Destination } from '../destination'
import { built, mailOf, type Envelope } from '../mail'

/** Longest waits for the mail server, ms. */
const CONNECT = 10_000
const ANSWER = 20_000

export interface TestSent {
  messageId: string
  bytes: number
  revision: number
}

/** Sends by SMTP. Throws a Problem (502) with the server's own words where it does not take the message. */
async function send(
  jobId: string,
  envelope: Envelope,
  { key, signal, leaving }: Delivering,
): Promise<{ sent: TestSent }> {
  const { mail, revision } = await mailOf(jobId, envelope, key, signal)
  // Mail programs take two messages of one id for the same.
  const messageId = `<${key}@mosaicus.example>`
  const raw = await built({ ...mail, messageId })
  const transport = nodemailer.createTransport({
    host: '127.0.0.1',
    port: smtpPort(),
    secure: false,
    ignoreTLS: true,
    connectionTimeout: CONNECT,
    socketTimeout: ANSWER,
  })
  try {
    leaving()
    await transport.sendMail({ envelope: { from: envelope.from, to: [envelope.to] }, raw })
    return { sent: { messageId, bytes: raw.length, revision } }
  } catch (error) {
    throw new Problem(
      502,
      'send-failed',
      'The test send was not taken',
      `The mail server answered: ${(error as Error).message}. Nothing was lost; check that the inbox is set to receive, then send again.`,
      // Without an answer of the server's own, nobody knows whether it took the message before the connection broke.
      {
        unsure:
          !(error as { responseCode?: number }).responseCode &&
          (error as { code?: string }).code !== 'ECONNECTION' &&
          (error as { code?: string }).code !== 'ESOCKET',
      },
    )
  } finally {
    transport.close()
  }
}

/** A test send to the inbox stand-in. */
export const testSend: Destination<Envelope, TestSent> = {
  name: 'test-send',
  writing: 'message',
  limits: {
    pictures: ['image/png', 'image/jpeg', 'image/gif', 'image/webp'],
    pictureBytes: Infinity,
    needs: ['subject'],
  },
  credentials: z.object({ from: z.string(), to: z.string() }),
  send,
  summary: ({ bytes }, { to }) => `Sent to ${to}, ${(bytes / 1024).toFixed(0)} KB`,
}
