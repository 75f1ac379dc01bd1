import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { fromOwnMachine } from '@/server/access/peer'
import { databaseState } from '@/server/db/state'
import { Trouble } from '@/ui/trouble/trouble'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Mosaicus', robots: { index: false, follow: false } }

export default async function TroublePage() {
  const { trouble, copies } = databaseState()
  const here = fromOwnMachine(await headers())
  return <Trouble trouble={trouble} copies={here ? copies : []} here={here} />
}
