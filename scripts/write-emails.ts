/**
 * Writes every email of the running app to a folder, as it leaves: the message (.eml), its HTML and its text, so that they
 * can be opened in real mail programs. Usage, while bin/demo runs: `node_modules/.bin/tsx scripts/write-emails.ts FOLDER`.
 */
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { slug } from '@/core/text/slug'

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

const [, , folder] = process.argv
if (!folder) throw new Error('Name a folder: scripts/write-emails.ts FOLDER')
await main(folder)
