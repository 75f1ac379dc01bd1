'use client'
import { Dialog as Radix } from 'radix-ui'
import { X } from 'lucide-react'
import { useEffect, type ReactNode } from 'react'

/**
 * A question or a form above the page. Escape and the cross close it; focus stays inside while it is open.
 */
export function Dialog({
  open,
  onClose,
  title,
  about,
  children,
  wide,
  widest,
  aside = false,
}: {
  open: boolean
  onClose: () => void
  title: string
  about?: string
  children: ReactNode
  wide?: boolean
  /** As wide as two things need that are looked at beside each other. */
  widest?: boolean
  /** Out of the way, while something is dragged out of it. */
  aside?: boolean
}) {
  // What is open above a page keeps pointers off it.
  useEffect(() => {
    if (!aside) return
    const { style } = document.body
    const before = style.pointerEvents
    style.pointerEvents = 'auto'
    return () => {
      style.pointerEvents = before
    }
  }, [aside])
  const away = aside ? 'pointer-events-none! opacity-0' : ''
  return (
    <Radix.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className={`fixed inset-0 z-40 bg-black/45 ${away}`} />
        <Radix.Content
          aria-describedby={about ? undefined : ''}
          className={`fixed top-[12vh] left-1/2 z-50 max-h-[76vh] ${widest ? 'w-[1080px]' : wide ? 'w-[720px]' : 'w-[460px]'} max-w-[calc(100vw-32px)] -translate-x-1/2 overflow-auto border-t-4 border-lapis bg-paper p-5 ${away}`}
        >
          <Radix.Title className="pr-8 text-lg leading-tight">{title}</Radix.Title>
          {about && <Radix.Description className="mt-1 text-soft">{about}</Radix.Description>}
          <div className="mt-3">{children}</div>
          <Radix.Close aria-label="Close" className="absolute top-4 right-4 p-1 text-soft hover:text-ink">
            <X size={16} />
          </Radix.Close>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
