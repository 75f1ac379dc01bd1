'use client'
import dynamic from 'next/dynamic'
import { Tooltip } from 'radix-ui'
import { useEffect, useState, type ReactNode } from 'react'
import { onFirstToast } from './toast'

const Toasts = dynamic(() => import('./toaster'), { ssr: false })

/** What every page has around it: tooltips and short messages. */
export function Providers({ children }: { children: ReactNode }) {
  const [toasts, setToasts] = useState(false)
  useEffect(() => onFirstToast(() => setToasts(true)), [])
  return (
    <Tooltip.Provider delayDuration={450}>
      {children}
      {toasts && <Toasts />}
    </Tooltip.Provider>
  )
}
