import type { Metadata } from 'next'
import { Problem } from '@/server/problem'
import { sharedOf } from '@/server/shares/shares'
import { LinkOver } from '@/ui/share/link-over'
import { SharedEmail } from '@/ui/share/shared-email'

export const dynamic = 'force-dynamic'
// Nobody but who has the link is to find it.
export const metadata: Metadata = { title: 'An email to look at', robots: { index: false, follow: false } }

export default async function SharePage({ params }: { params: Promise<{ share: string }> }) {
  const { share } = await params
  try {
    const { design, ...shown } = sharedOf(share)
    return (
      <SharedEmail
        share={share}
        {...shown}
        design={design && { id: design.id, width: design.width, height: design.height }}
      />
    )
  } catch (error) {
    if (error instanceof Problem) return <LinkOver title={error.title} detail={error.detail} />
    throw error
  }
}
