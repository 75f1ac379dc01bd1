/** What is done once when the app starts, as soon as its database can be worked with: what was under way when it was stopped is settled, and the inbox stand-in listens. */
export async function begin(): Promise<void> {
  const [
    { clearUploads, smtpPort },
    { settleBroken },
    { settleUnknown },
    { collectPictures },
    { startInbox },
  ] = await Promise.all([
    import('./server/settings'),
    import('./server/tasks'),
    import('./server/destinations/outbox'),
    import('./server/pictures/collect'),
    import('./standins/inbox/smtp'),
  ])
  clearUploads()
  settleBroken()
  settleUnknown()
  startInbox(smtpPort())
  collectPictures().catch((error: unknown) => console.error(error))
}
