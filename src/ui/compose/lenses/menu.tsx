'use client'
import { ChevronDown, Plus } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Tip } from '../../parts/controls'
import { MOST_LENSES, type LensesWork, type LensKind } from './shown'

const item = 'px-3 py-1 text-[12.5px] outline-none data-[disabled]:opacity-45 data-[highlighted]:bg-wash'
const sheet = 'z-50 min-w-40 border border-grout bg-paper py-1'

/** The name of a lens; pressed, it offers others in its place, to move it, or to close it. */
export function LensMenu({ work, at, kind }: { work: LensesWork; at: number; kind: LensKind }) {
  const { kinds } = work.lenses
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="flex items-center gap-0.5 font-semibold">
        {kind}
        <ChevronDown aria-hidden size={12} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={4} className={sheet}>
          <DropdownMenu.Label className="px-3 py-1 text-[11.5px] text-soft">
            Show here instead
          </DropdownMenu.Label>
          <Kinds work={work} onChoose={(k) => work.swap(at, k)} />
          <DropdownMenu.Separator className="my-1 h-px bg-grout" />
          <DropdownMenu.Item className={item} disabled={at === 0} onSelect={() => work.move(at, -1)}>
            Move to the left
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={item}
            disabled={at === kinds.length - 1}
            onSelect={() => work.move(at, 1)}
          >
            Move to the right
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} disabled={kinds.length < 2} onSelect={() => work.close(at)}>
            Close
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** Another lens beside those that are open. */
export function AddLens({ work }: { work: LensesWork }) {
  if (work.lenses.kinds.length >= MOST_LENSES) return null
  return (
    <DropdownMenu.Root>
      <Tip text="Another lens beside these">
        <DropdownMenu.Trigger aria-label="Add a lens" className="grid h-5 w-5 place-items-center">
          <Plus aria-hidden size={13} />
        </DropdownMenu.Trigger>
      </Tip>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className={sheet}>
          <Kinds work={work} onChoose={work.add} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

const Kinds = ({ work, onChoose }: { work: LensesWork; onChoose: (kind: LensKind) => void }) =>
  work.offered
    .filter((k) => !work.lenses.kinds.includes(k))
    .map((k) => (
      <DropdownMenu.Item key={k} className={item} onSelect={() => onChoose(k)}>
        {k}
      </DropdownMenu.Item>
    ))
