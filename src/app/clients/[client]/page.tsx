import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { clientOf, countEmails } from '@/server/jobs/clients'
import { Problem } from '@/server/problem'
import { HousePage } from '@/ui/house/house-page'

export const dynamic = 'force-dynamic'
interface Props {
  params: Promise<{ client: string }>
}

const find = (id: string) => {
  try {
    return clientOf(id)
  } catch (e) {
    if (e instanceof Problem && e.status === 404) notFound()
    throw e
  }
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `House style of ${find((await params).client).name} - Mosaicus` }
}

export default async function ClientPage({ params }: Props) {
  const { id, name, house, trouble } = find((await params).client)
  return <HousePage client={{ id, name, house }} emails={countEmails(id)} trouble={trouble} />
}
