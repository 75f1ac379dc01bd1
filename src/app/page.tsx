import { listClients } from '@/server/jobs/clients'
import { listJobs } from '@/server/jobs/jobs'
import { Wall } from '@/ui/wall/wall'

export const dynamic = 'force-dynamic'

export default function WallPage() {
  const brief = (archived: boolean) =>
    listJobs(archived).map(
      ({
        id,
        name,
        client,
        width,
        due,
        archived: a,
        design,
        state,
        cutCount,
        toMend,
        toMind,
        updatedAt,
        emailRevision,
      }) => ({
        id,
        name,
        client,
        width,
        due,
        archived: a,
        design: { id: design.id, width: design.width, height: design.height },
        state,
        cutCount,
        toMend,
        toMind,
        updatedAt,
        emailRevision,
      }),
    )
  return (
    <Wall
      jobs={[...brief(false), ...brief(true)]}
      clients={listClients().map(({ id, name }) => ({ id, name }))}
    />
  )
}
