'use client'
import { useEffect, useState } from 'react'
import type { StoreApi } from 'zustand'
import type { DocumentState } from './document'

/**
 * A document as it stands, followed as it changes. A change made within `startTransition` is drawn when there is time,
 * which a store's own hook cannot do (it draws every change at once): what a person types goes first.
 */
export function useDoc<T>(store: StoreApi<DocumentState<T>>): T {
  const [doc, setDoc] = useState(() => store.getState().doc)
  useEffect(() => {
    const follow = () => setDoc(() => store.getState().doc)
    // What changed before this began to listen.
    follow()
    return store.subscribe(follow)
  }, [store])
  return doc
}
