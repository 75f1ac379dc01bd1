'use client'
import { Tooltip } from 'radix-ui'
import { type ReactNode } from 'react'
import { Toaster } from 'sonner'

/** What every page has around it: tooltips and short messages. */
export function Providers({ children }: { children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={450}>
      {children}
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
    </Tooltip.Provider>
  )
}
