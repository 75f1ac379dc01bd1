import { useEffect, useRef, useState, type RefObject } from 'react'
import type { Parts } from '@/core/compile'
import type { Loads } from '../parts/framed'
import { inTurn } from '../parts/slices'
import { firstOf } from './live-frame'

/**
 * What a frame begins with. Frames begin one after the other, since together they would hold the page for too long: until its turn
 * there is nothing. @returns the markup, and what the frame shows, which whoever brings it up to date writes
 */
export function useFirst(parts: Parts, loads: Loads): { first?: string; shown: RefObject<Parts> } {
  const [first, setFirst] = useState<string>()
  const shown = useRef(parts)
  const latest = useRef(parts)
  latest.current = parts
  useEffect(() => {
    let wanted = true
    void inTurn().then(() => {
      if (!wanted) return
      shown.current = latest.current
      setFirst(firstOf(latest.current, loads))
    })
    return () => {
      wanted = false
    }
  }, [loads])
  return { first, shown }
}
