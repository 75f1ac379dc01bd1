import { keptHash } from '@/server/access/passphrase'
import { listClients } from '@/server/jobs/clients'
import { countJobs, firstJobs } from '@/server/jobs/jobs'
import { Wall } from '@/ui/wall/wall'

export const dynamic = 'force-dynamic'

/** What a window of 1280 px by 800 shows; the rest comes once these are drawn. */
const AT_FIRST = 14

export default async function WallPage() {
  const brief = (await firstJobs(AT_FIRST)).map(({ narrow, before, createdAt, remote, design, ...job }) => ({
    ...job,
    design: design && { id: design.id, width: design.width, height: design.height },
  }))
  return (
    <Wall
      first={brief}
      count={countJobs()}
      clients={listClients().map(({ id, name }) => ({ id, name }))}
      passphrase={keptHash() !== null}
    />
  )
}
