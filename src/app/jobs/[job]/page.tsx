import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { cutsOf } from '@/server/jobs/cuts'
import { readDocument } from '@/server/jobs/documents'
import { jobOf } from '@/server/jobs/jobs'
import { Problem } from '@/server/problem'
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

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${find((await params).job).name} - Mosaicus` }
}

export default async function JobPage({ params }: Props) {
  const { job: id } = await params
  const { name, width, due, remote, client, design, narrow, before } = find(id)
  const cuts = cutsOf(id)
  const email = readDocument(id, 'email')
  return (
    <BenchLoader
      job={{
        id,
        name,
        width,
        due,
        remote,
        client,
        design: {
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
