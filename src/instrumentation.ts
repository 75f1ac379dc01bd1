/**
 * Runs once when the server starts: the database is opened (and brought up to date) and the inbox stand-in
 * begins to listen.
 */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const [{ db }, { smtpPort }, { startInbox }] = await Promise.all([
    import('./server/db'),
    import('./server/settings'),
    import('./standins/inbox/smtp'),
  ])
  db()
  startInbox(smtpPort())
}
