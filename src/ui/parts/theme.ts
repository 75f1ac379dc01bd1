'use client'
import { useSyncExternalStore } from 'react'

/** Changes between plaster (light) and slate (dark), and remembers which. */
export function toggleTheme(): void {
  const root = document.documentElement
  const next = root.dataset.theme === 'slate' ? 'plaster' : 'slate'
  if (next === 'slate') root.dataset.theme = 'slate'
  else delete root.dataset.theme
  try {
    localStorage.setItem('mosaicus:theme', next)
  } catch {
    /* the choice lasts as long as the page */
  }
}

const isSlate = (): boolean => document.documentElement.dataset.theme === 'slate'

function onTheme(change: () => void): () => void {
  const observer = new MutationObserver(change)
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] })
  return () => observer.disconnect()
}

/** Whether the app is dark: for parts with colours of their own. */
export const useSlate = (): boolean => useSyncExternalStore(onTheme, isSlate, () => false)
