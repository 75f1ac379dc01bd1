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
 * Runs once when the server starts: the database is opened (and brought up to date) what was under way when the app was
 * stopped is settled, and the inbox stand-in begins to listen.
 */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  shippedFonts()
  const [
    { db },
    { smtpPort, clearUploads },
    { startInbox },
    { settleBroken },
    { settleUnknown },
    { collectPictures },
  ] = await Promise.all([
    import('./server/db'),
    import('./server/settings'),
    import('./standins/inbox/smtp'),
    import('./server/tasks'),
    import('./server/destinations/outbox'),
    import('./server/pictures/collect'),
  ])
  db()
  clearUploads()
  settleBroken()
  settleUnknown()
  startInbox(smtpPort())
  collectPictures().catch((error: unknown) => console.error(error))
}
