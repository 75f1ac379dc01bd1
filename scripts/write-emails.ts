/**
 * Writes every email of the running app, and those that the tests hold against a person's, to a folder, as they leave: the
 * message (.eml), its HTML and its text, so that they can be opened in real mail programs. Usage, while bin/demo runs: `node_modules/.bin/tsx scripts/write-emails.ts FOLDER`.
 */
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import MailComposer from 'nodemailer/lib/mail-composer'
import sharp from 'sharp'
import { compile } from '@/core/compile'
import { compileText } from '@/core/compile/text'
import type { Email } from '@/core/email/schema'
import { slug } from '@/core/text/slug'
import { picturesOf } from '@/core/tiles/contents'
import { goods, letter, referenceHouse, stories } from '@/test-support/references'

const base = process.env.MOSAICUS ?? 'http://127.0.0.1:4310'

async function main(folder: string): Promise<void> {
  mkdirSync(folder, { recursive: true })
  const { jobs } = (await (await fetch(`${base}/api/jobs`)).json()) as {
    jobs: { id: string; name: string; emailRevision: number }[]
  }
  for (const { id, name, emailRevision } of jobs) {
    if (!emailRevision) continue
    const forms = [
      ['eml', await fetch(`${base}/api/jobs/${id}/eml`)],
      ['html', await fetch(`${base}/api/jobs/${id}/html?fields=sample`)],
      ['txt', await fetch(`${base}/api/jobs/${id}/text`)],
    ] as const
    for (const [ending, answer] of forms) {
      if (!answer.ok) throw new Error(`${name}, ${ending}: ${await answer.text()}`)
      const file = join(folder, `${slug(name)}.${ending}`)
      const bytes = Buffer.from(await answer.arrayBuffer())
      writeFileSync(file, bytes)
      console.log(`${file}: ${bytes.length} bytes`)
    }
  }
}

/** An email of the tests; its pictures are drawn. */
async function writeOwn(folder: string, name: string, email: Email): Promise<void> {
  const cid = ({ id }: { id: string }) => `${id.replace(/0+$/, '')}@mosaicus.example`
  const html = compile(email, referenceHouse, { src: (p) => `cid:${cid(p)}`, print: 'compact' })
  const text = compileText(email, { house: referenceHouse, broken: false })
  const attachments = await Promise.all(
    picturesOf(email).map(async ({ picture }) => ({
      cid: cid(picture),
      contentDisposition: 'inline' as const,
      contentType: 'image/png',
      content: await sharp({
        create: { width: picture.width, height: picture.height, channels: 3, background: '#2b7a68' },
      })
        .png()
        .toBuffer(),
    })),
  )
  const mail = { from: 'studio@mosaicus.example', to: 'reader@mosaicus.example', subject: email.subject }
  const encoding = 'quoted-printable' as const
  const eml = await new MailComposer({ ...mail, html, text, attachments, encoding, newline: 'windows' })
    .compile()
    .build()
  for (const [ending, content] of Object.entries({ eml, html, txt: text }))
    writeFileSync(join(folder, `${name}.${ending}`), content)
}

const [, , folder] = process.argv
if (!folder) throw new Error('Name a folder: scripts/write-emails.ts FOLDER')
await main(folder)
for (const [name, email] of Object.entries({ letter, goods, stories }))
  await writeOwn(folder, `test-${name}`, email())
