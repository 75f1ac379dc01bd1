'use client'
import dynamic from 'next/dynamic'

/** The code editor, loaded when one is shown for the first time. */
export const CodeField = dynamic(() => import('./code-field'), {
  ssr: false,
  loading: () => <p className="text-soft">Loading the editor</p>,
})
