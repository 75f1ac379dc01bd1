import type { Metadata } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import '@fontsource/fraunces/latin-600.css'
import '@fontsource/ibm-plex-sans/latin-400.css'
import '@fontsource/ibm-plex-sans/latin-600.css'
import '@fontsource/ibm-plex-mono/latin-400.css'
import './globals.css'
import { Providers } from '@/ui/parts/providers'

export const metadata: Metadata = {
  title: 'Mosaicus',
  description: 'From a flat design to a delivered email.',
}

/** Sets the theme before anything is drawn, so that a dark room is not lit up by a flash of plaster. */
const theme = `try{const t=localStorage.getItem('mosaicus:theme');if(t==='slate'||(!t&&matchMedia('(prefers-color-scheme: dark)').matches))document.documentElement.dataset.theme='slate'}catch{}`

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: theme }} />
      </head>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  )
}
