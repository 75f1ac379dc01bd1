/**
 * Runs once when the server starts: the database is opened (and brought up to date) what was under way when the app was
 * stopped is settled, and the inbox stand-in begins to listen.
 */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
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
