'use client'
import dynamic from 'next/dynamic'
import type { BenchProps } from './types'

/** The bench lives in the browser alone: it measures, keeps drafts and runs workers. */
const Bench = dynamic(() => import('./bench'), {
  ssr: false,
  loading: () => <p className="grid h-dvh place-items-center text-soft">Laying out the bench…</p>,
})

export const BenchLoader = (props: BenchProps) => <Bench {...props} />
