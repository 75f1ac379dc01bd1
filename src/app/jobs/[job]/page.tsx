import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { cutsOf } from '@/server/jobs/cuts'
import { readDocument } from '@/server/jobs/documents'
import { jobOf } from '@/server/jobs/jobs'
import { Problem } from '@/server/problem'
import { listVersions } from '@/server/jobs/versions'
import { rawDocument } from '@/server/jobs/stored'
import { BrokenDocument } from '@/ui/broken/broken'
import { BenchLoader } from '@/ui/bench/loader'

export const dynamic = 'force-dynamic'
interface Props {
  params: Promise<{ job: string }>
}

const find = (id: string) => {
  try {
    return jobOf(id)
  } catch (e) {
    if (e instanceof Problem && e.status === 404) notFound()
    throw e
  }
}

/** What a reading gives, or why it cannot be read. */
function attempt<T>(read: () => T): T | Problem {
  try {
    return read()
  } catch (error) {
    if (error instanceof Problem && error.kind === 'document-broken') return error
    throw error
  }
}

function brokenOf(id: string, name: string, kind: 'email' | 'cuts') {
  const { revision, body } = rawDocument(id, kind)!
  const problem = attempt(() => readDocument(id, kind))
  return {
    job: { id, name },
    kind,
    revision,
    why: problem instanceof Problem ? problem.detail : '',
    source: JSON.stringify(body, null, 1),
    versions:
      kind === 'email' ? listVersions(id).map(({ id: v, name: n, at }) => ({ id: v, name: n, at })) : [],
  }
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${find((await params).job).name} - Mosaicus` }
}

export default async function JobPage({ params }: Props) {
  const { job: id } = await params
  const { name, width, due, remote, client, design, narrow, before } = find(id)
  const cuts = attempt(() => cutsOf(id))
  const email = attempt(() => readDocument(id, 'email'))
  if (cuts instanceof Problem || email instanceof Problem)
    return <BrokenDocument {...brokenOf(id, name, cuts instanceof Problem ? 'cuts' : 'email')} />
  return (
    <BenchLoader
      job={{
        id,
        name,
        width,
        due,
        remote,
        client,
        design: design && {
          id: design.id,
          name: design.name,
          width: design.width,
          height: design.height,
          scale: design.scale,
          worded: design.worded,
        },
        narrow,
        before,
      }}
      cuts={{ revision: cuts.revision, plan: cuts.body, savedAt: cuts.savedAt }}
      email={email && { revision: email.revision, email: email.body, savedAt: email.savedAt }}
    />
  )
}
