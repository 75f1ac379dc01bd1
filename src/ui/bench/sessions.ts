import { readPlan } from '@/core/cut/plan'
import { mergeDocuments } from '@/core/email/merge'
import { newEmail } from '@/core/email/defaults'
import { readEmail } from '@/core/tiles/document'
import { call } from '../api'
import { historyPlace } from '../session/history'
import { openDocument } from '../session/document'
import type { BenchJob, BenchProps, CutSession, EmailSession } from './types'

/** Opens the cut plan of a job. */
export const openCuts = (job: BenchJob, cuts: BenchProps['cuts']): CutSession =>
  openDocument({
    key: `cuts:${job.id}`,
    read: readPlan,
    history: historyPlace(`cuts:${job.id}`, readPlan),
    merge: (base, mine, theirs) =>
      mergeDocuments(base, mine, theirs, 'cuts', (c) => c.name ?? `cut at ${c.x}, ${c.y}`),
    doc: cuts.plan,
    revision: cuts.revision,
    savedAt: cuts.savedAt,
    save: async (plan, revision) => ({
      revision: (await call('PUT /api/jobs/:job/cuts', { params: { job: job.id }, body: { revision, plan } }))
        .revision,
      savedAt: new Date().toISOString(),
    }),
    load: async () => {
      const r = await call('GET /api/jobs/:job/cuts', { params: { job: job.id } })
      return { doc: r.plan, revision: r.revision }
    },
  })

/** Opens the email of a job: an empty one of its width where none was built yet. */
export const openEmail = (job: BenchJob, email: BenchProps['email']): EmailSession =>
  openDocument({
    key: `email:${job.id}`,
    read: readEmail,
    history: historyPlace(`email:${job.id}`, readEmail),
    merge: (base, mine, theirs) => mergeDocuments(base, mine, theirs, 'bands', (b) => `band "${b.name}"`),
    doc: email?.email ?? newEmail(job.width),
    revision: email?.revision ?? 0,
    savedAt: email?.savedAt ?? '',
    save: (doc, revision) =>
      call('PUT /api/jobs/:job/email', { params: { job: job.id }, body: { revision, email: doc } }),
    load: async () => {
      const r = await call('GET /api/jobs/:job/email', { params: { job: job.id } })
      return { doc: r.email, revision: r.revision }
    },
  })
