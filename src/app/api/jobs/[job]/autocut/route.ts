import { serveLong } from '@/server/api/serve'
import { autocutJob } from '@/server/jobs/autocut'
import { jobOf } from '@/server/jobs/jobs'

export const POST = serveLong(
  'POST /api/jobs/:job/autocut',
  ({ params }) => `Finding the parts of ${jobOf(params.job).name}`,
  ({ params }, tell, signal) => autocutJob(params.job, tell, signal),
)
