import { serveLong } from '@/server/api/serve'
import { buildJob } from '@/server/jobs/build'
import { jobOf } from '@/server/jobs/jobs'

export const POST = serveLong(
  'POST /api/jobs/:job/build',
  ({ params }) => `Building the email of ${jobOf(params.job).name}`,
  async ({ params }, tell, signal) => {
    const { email, cuts, notes } = await buildJob(params.job, tell, signal)
    return {
      email: email.body,
      revision: email.revision,
      plan: cuts.body,
      cutsRevision: cuts.revision,
      notes,
    }
  },
)
