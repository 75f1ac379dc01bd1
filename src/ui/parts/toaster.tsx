'use client'
import { useEffect } from 'react'
import { Toaster } from 'sonner'
import { toastsShown } from './toast'

/** Where short messages are shown. */
export default function Toasts() {
  useEffect(toastsShown, [])
  return (
    <Toaster
      position="bottom-right"
      toastOptions={{
        style: {
          borderRadius: 0,
          background: 'var(--sheet)',
          color: 'var(--ink)',
          border: '1px solid var(--grout)',
          fontFamily: 'var(--font-sans)',
        },
      }}
    />
  )
}
