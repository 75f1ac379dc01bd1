/** What is done once when the app starts, as soon as its database can be worked with: what was under way when it was stopped is settled. */
export async function begin(): Promise<void> {
  const [{ clearUploads }, { settleBroken }, { settleUnknown }, { collectPictures }] = await Promise.all([
    import('./server/settings'),
    import('./server/tasks'),
    import('./server/destinations/outbox'),
    import('./server/pictures/collect'),
  ])
  clearUploads()
  settleBroken()
  settleUnknown()
  collectPictures().catch((error: unknown) => console.error(error))
}
