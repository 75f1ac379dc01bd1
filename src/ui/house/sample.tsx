'use client'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { compileMapped } from '@/core/compile'
import { shownHouse } from '../parts/house-fonts'
import { newEmail } from '@/core/email/defaults'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { starterEmail, starterLayouts } from '@/core/starters'
import { nightOf } from '../bench/night'
import { framed } from '../parts/framed'
import { srcIn } from '../starters/miniature'

/** Width of the sample email, and of a phone, px. */
const WIDE = 600
const NARROW = 375

/** The house style on a sample email as it is now. @param widths of what is shown, px: wide, and narrow and night where they are wanted */
export function Sample({ house, shown }: { house: HouseStyle; shown: { name: Look; width: number }[] }) {
  const seen = useDeferredValue(house)
  const email = useMemo(
    (): Email => ({
      ...newEmail(WIDE),
      bands: starterEmail(starterLayouts[0]!, { house: seen, width: WIDE }).bands,
    }),
    [seen],
  )
  return shown.map(({ name, width }) => (
    <Shown key={name} look={name} width={width} email={email} house={seen} />
  ))
}

export type Look = 'Wide' | 'Narrow' | 'Night'

function Shown({
  look,
  width,
  email,
  house,
}: {
  look: Look
  width: number
  email: Email
  house: HouseStyle
}) {
  const [html, setHtml] = useState('')
  const [height, setHeight] = useState(900)
  useEffect(() => {
    const parts = compileMapped(email, shownHouse(house), { src: srcIn(house), apart: true }).parts()
    const { before, bands, after } = look === 'Night' ? nightOf(parts) : parts
    setHtml(framed(before + bands.map((b) => b.html).join('') + after, 'own'))
  }, [email, house, look])
  const window = look === 'Narrow' ? NARROW : WIDE
  const scale = width / window
  return (
    <figure aria-label={`${look}, a sample email`} className="bg-ground">
      <figcaption className="bg-groundhead px-2.5 py-1 text-xs font-semibold text-[#17191a]">
        {look} <span className="font-mono text-[11px] font-normal">{window}</span>
      </figcaption>
      <div className="overflow-hidden" style={{ width, height: height * scale }}>
        {html && (
          <iframe
            title={`A sample email, ${look}`}
            srcDoc={html}
            sandbox="allow-same-origin"
            tabIndex={-1}
            scrolling="no"
            className="pointer-events-none border-0 bg-white"
            style={{ width: window, height, transform: `scale(${scale})`, transformOrigin: '0 0' }}
            onLoad={(e) => {
              const at = e.currentTarget.contentDocument?.querySelector('[role=article]')
              setHeight(Math.max(20, Math.ceil(at?.getBoundingClientRect().bottom ?? 0)))
            }}
          />
        )}
      </div>
    </figure>
  )
}
