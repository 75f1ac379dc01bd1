import { Popover } from 'radix-ui'
import { useState } from 'react'
import { toLookAt, type ToLookAt as Left } from '@/core/cut/to-look-at'
import { Button } from '../parts/controls'
import { kindNames } from './kinds'
import type { CutWork } from './work/use-cut-work'

/** More than these are not listed at once: the next come up as these are settled. */
const LISTED = 6

const said = ({ what, text }: Left): string =>
  what === 'unread'
    ? 'Its words could not be read: it is built as a picture.'
    : `A picture that says "${text.length > 80 ? `${text.slice(0, 78)} …` : text}"`

/** What finding the parts left open, most to win first: each leads to its cut and to what that may be instead. */
export function ToLookAt({ w }: { w: CutWork }) {
  const [open, setOpen] = useState(false)
  const left = toLookAt(w.plan)
  if (!left.length || !w.plan.cuts.length) return null
  const things = `${left.length} ${left.length === 1 ? 'thing' : 'things'} to look at`
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button look="plain" className="text-terra!">
          {things}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={8}
          align="end"
          aria-label={things}
          className="z-50 w-[26rem] border border-grout bg-paper p-1.5 text-sm text-ink"
        >
          <ul>
            {left.slice(0, LISTED).map((l) => (
              <li key={l.cut.id} className="border-b border-grout px-1.5 py-2 last:border-0">
                <button
                  type="button"
                  className="block w-full text-left hover:underline"
                  onClick={() => w.select(l.cut.id)}
                >
                  <b>Cut {w.order.findIndex((c) => c.id === l.cut.id) + 1}</b> {said(l)}
                </button>
                <span className="mt-1 flex gap-1.5">
                  {l.instead.map((kind) => (
                    <Button key={kind} onClick={() => void w.become([l.cut.id], kind)}>
                      Make it {kind === 'words' ? 'words' : `a ${kindNames[kind].toLowerCase()}`}
                    </Button>
                  ))}
                  {l.what === 'unread' && (
                    <Button onClick={() => void w.readWords([l.cut])} disabled={!!w.work}>
                      Read it again
                    </Button>
                  )}
                </span>
              </li>
            ))}
          </ul>
          {left.length > LISTED && (
            <p className="px-1.5 pt-1.5 text-xs text-soft">and {left.length - LISTED} more</p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
