import type { Metadata } from 'next'
import { Enter } from '@/ui/enter/enter'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Mosaicus', robots: { index: false, follow: false } }

export default function EnterPage() {
  return <Enter />
}
