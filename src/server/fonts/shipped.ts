import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { shippedName, standIns } from '@/core/email/stand-ins'
import { notFound } from '../problem'
import { packagesFolder } from '../settings'

/** The files of all stand-ins. */
const files = (): { name: string; path: string }[] =>
  standIns.flatMap((s) =>
    s.files.map((file, i) => ({ name: shippedName(s, i), path: join(packagesFolder(), s.package, file) })),
  )

/** A font that ships with the app, for any frame: those of emails have no origin. Throws a Problem (404). */
export async function shippedFont(name: string): Promise<Response> {
  const found = files().find((f) => f.name === name)
  if (!found) throw notFound('font', name)
  return new Response(new Uint8Array(await readFile(found.path)), {
    headers: {
      'content-type': 'font/ttf',
      'cache-control': 'public, max-age=31536000, immutable',
      'access-control-allow-origin': '*',
      'cross-origin-resource-policy': 'cross-origin',
      'x-content-type-options': 'nosniff',
    },
  })
}
