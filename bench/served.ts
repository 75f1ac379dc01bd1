/** The built app, served with data of its own while something is measured. */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const PORT = 4398
export const base = `http://127.0.0.1:${PORT}`
const folder = mkdtempSync(join(tmpdir(), 'mosaicus-bench-'))
const server = spawn(
  process.execPath,
  [
    'node_modules/next/dist/bin/next',
    'start',
    '-H',
    '127.0.0.1',
    '-p',
    String(PORT),
    '--keepAliveTimeout',
    '60000',
  ],
  {
    env: { ...process.env, PORT: String(PORT), MOSAICUS_DATA: folder, MOSAICUS_SMTP_PORT: String(PORT + 1) },
    stdio: 'ignore',
  },
)

/** Waits until the app answers. Throws where it does not within 40 s. */
export async function served(): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if (
      await fetch(`${base}/api/clients`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return
    await new Promise((r) => setTimeout(r, 200))
  }
  throw new Error('The app does not answer. Build it first: npm run build')
}

/** Ends it, and throws its data away. */
export function stop(): void {
  server.kill()
  rmSync(folder, { recursive: true, force: true })
}
