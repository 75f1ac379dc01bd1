'use client'
import { useCallback, useEffect, useMemo, useRef, type ComponentProps } from 'react'
import { pictureAddress } from '@/core/interact/addresses'
import { call } from '../api'
import { src } from '../bench/src'
import { run } from './runtime'
import { TryFrame } from './try-frame'

/** How the message asks: as whom, by which version of the standard. */
export interface Asking {
  sender: string
  version: 1 | 2
}

const HOSTED = pictureAddress('')

/** The AMP part, answering as it does in a reader. */
export function AmpLens({
  html,
  width,
  name,
  asking,
  onSaid,
  onAnswered,
  tied,
}: {
  html: string
  width: number
  name: string
  asking: Asking
  /** Told what happened, or what cannot be shown. */
  onSaid: (what: string) => void
  onAnswered: () => void
  tied?: ComponentProps<typeof TryFrame>['tied']
}) {
  const shown = useMemo(() => html.replaceAll(HOSTED, src({ id: '' })), [html])
  const latest = useRef({ asking, onSaid, onAnswered })
  useEffect(() => {
    latest.current = { asking, onSaid, onAnswered }
  })
  const start = useCallback((doc: Document) => {
    run(doc, {
      say: (what) => latest.current.onSaid(what),
      ask: async (url, method, fields) => {
        const { sender, version } = latest.current.asking
        const heard = await call('POST /api/interact/ask', {
          body: { url, method, fields, sender, version },
        })
        latest.current.onSaid(
          heard.refused.length
            ? `${method} ${url}: a reader refuses the answer.`
            : `${method} ${url}: ${heard.status}, taken.`,
        )
        if (method === 'POST') latest.current.onAnswered()
        return heard
      },
    })
  }, [])
  return (
    <TryFrame
      name={name}
      html={shown}
      width={width}
      detail={`${width} px`}
      onLoad={start}
      {...(tied && { tied })}
    />
  )
}
