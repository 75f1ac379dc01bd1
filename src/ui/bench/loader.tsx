'use client'
import dynamic from 'next/dynamic'
import { turn } from '../parts/slices'
import { LayingOut } from './laying-out'
import type { BenchProps } from './types'

/**
 * The bench lives in the browser alone: it measures, keeps drafts and runs workers. Its modules begin in turns, so that the
 * page is never held by all of them at once.
 */
const Bench = dynamic(
  async () => {
    const schema = await import('./turns/schema')
    await turn()
    const tiles = await schema.next()
    await turn()
    const compile = await tiles.next()
    await turn()
    return compile.next()
  },
  { ssr: false, loading: LayingOut },
)

export const BenchLoader = (props: BenchProps) => <Bench {...props} />
