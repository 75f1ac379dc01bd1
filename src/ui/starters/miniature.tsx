'use client'
import { useEffect, useMemo, useState } from 'react'
import { compile } from '@/core/compile'
import { newEmail } from '@/core/email/defaults'
import type { Band } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'
import { drawingOf, drawn } from '@/core/starters/motifs'
import { tonesOf } from '@/core/starters/tones'
import { framed } from '../parts/framed'
import { shownHouse } from '../parts/house-fonts'

/** What a starter's picture will be, before it is made: drawn in the page. */
export function srcIn(house: HouseStyle): (p: Pick<PictureRef, 'id'>) => string {
  const tones = tonesOf(house)
  return (picture) => {
    const drawing = drawingOf(picture)
    return drawing
      ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawn(drawing, tones))}`
      : `/api/pictures/${picture.id}`
  }
}

/**
 * Bands in small, drawn from themselves.
 * @param width shown, px @param tallest of what is shown, px
 */
export function Miniature({
  bands,
  house,
  emailWidth,
  width,
  tallest,
}: {
  bands: readonly Band[]
  house: HouseStyle
  emailWidth: number
  width: number
  tallest: number
}) {
  const [html, setHtml] = useState('')
  const [height, setHeight] = useState(120)
  const made = useMemo(
    // In the client's own letters, also those whose files are kept here.
    () => compile({ ...newEmail(emailWidth), bands: [...bands] }, shownHouse(house), { src: srcIn(house) }),
    [bands, house, emailWidth],
  )
  useEffect(() => setHtml(framed(made, 'own')), [made])
  const scale = width / emailWidth
  const shown = Math.min(tallest, height * scale)
  return (
    <span aria-hidden className="block overflow-hidden bg-white" style={{ width, height: shown }}>
      {html && (
        <iframe
          title="In small"
          srcDoc={html}
          sandbox="allow-same-origin"
          tabIndex={-1}
          scrolling="no"
          className="pointer-events-none border-0"
          style={{ width: emailWidth, height, transform: `scale(${scale})`, transformOrigin: '0 0' }}
          onLoad={(e) => {
            const at = e.currentTarget.contentDocument?.querySelector('[role=article]')
            setHeight(Math.max(20, Math.ceil(at?.getBoundingClientRect().bottom ?? 0)))
          }}
        />
      )}
    </span>
  )
}
