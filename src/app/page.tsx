import { listClients } from '@/server/jobs/clients'
import { listJobs } from '@/server/jobs/jobs'
import { Wall } from '@/ui/wall/wall'

export const dynamic = 'force-dynamic'

export default async function WallPage() {
  const brief = async (archived: boolean) =>
    (await listJobs(archived)).map(({ narrow, before, createdAt, remote, design, ...job }) => ({
      ...job,
      design: { id: design.id, width: design.width, height: design.height },
    }))
  const [open, archived] = await Promise.all([brief(false), brief(true)])
  return <Wall jobs={[...open, ...archived]} clients={listClients().map(({ id, name }) => ({ id, name }))} />
}
