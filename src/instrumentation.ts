import { existsSync } from 'node:fs'
import { join } from 'node:path'

/** What is drawn here sees the fonts that ship with the app, however it was started (scripts/fonts.mjs writes the file). */
function shippedFonts(): void {
  const config = join(/* turbopackIgnore: true */ process.cwd(), 'dist/fonts.conf')
  if (!existsSync(config)) return
  process.env.FONTCONFIG_FILE ??= config
  process.env.PANGOCAIRO_BACKEND ??= 'fontconfig'
  process.env.DISABLE_SYSTEM_FONTS_LOAD ??= '1'
}

/**
 * Runs once when the server starts: whose connection each request came over is noted, the database is opened (and brought up to date), what was
 * under way when the app was stopped is settled, and the inbox stand-in begins to listen. With a database in trouble the app serves a page
 * that says so.
 */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  shippedFonts()
  // Files that the app writes are its owner's alone.
  process.umask(0o077)
  const [{ notePeers }, { troubleOf }, { begin }] = await Promise.all([
    import('./server/access/peer'),
    import('./server/db/state'),
    import('./begin'),
  ])
  notePeers()
  const trouble = troubleOf()
  if (trouble) return console.error(`${trouble.title}. ${trouble.detail}`)
  await begin()
}
