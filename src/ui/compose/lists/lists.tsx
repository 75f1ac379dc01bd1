'use client'
import { ListChecks } from 'lucide-react'
import dynamic from 'next/dynamic'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import type { Action } from '../../bench/actions'
import type { EmailWork } from '../../bench/email-work'
import { Button } from '../../parts/controls'
import { addActions } from '../adding'

const ApprovalDialog = dynamic(() => import('./approval-dialog').then((m) => m.ApprovalDialog), {
  ssr: false,
})
const FindDialog = dynamic(() => import('./find-dialog').then((m) => m.FindDialog), { ssr: false })
const LinksDialog = dynamic(() => import('./links-dialog').then((m) => m.LinksDialog), { ssr: false })
const AddPalette = dynamic(() => import('../add-palette').then((m) => m.AddPalette), { ssr: false })
const TrackingDialog = dynamic(() => import('./tracking-dialog').then((m) => m.TrackingDialog), {
  ssr: false,
})
const PicturesDialog = dynamic(() => import('./pictures-dialog').then((m) => m.PicturesDialog), {
  ssr: false,
})

const lists = [
  { id: 'find', label: 'Find and replace', keys: 'Ctrl F' },
  { id: 'links', label: 'All links', keys: undefined },
  { id: 'tracking', label: 'What links say of where they stand', keys: undefined },
  { id: 'pictures', label: 'All pictures', keys: undefined },
  { id: 'approval', label: 'Approval by the client', keys: undefined },
] as const
type List = (typeof lists)[number]['id'] | 'add'

/** What goes through the whole email: found and replaced, all links, all pictures; and all that can be added. */
export function useLists(work: EmailWork) {
  const [open, setOpen] = useState<List | null>(null)
  const close = () => setOpen(null)
  const adding = addActions(work)
  const actions = [
    ...lists.map(({ id, label, keys }): Action => ({
      id: `list-${id}`,
      label,
      group: 'Email',
      ...(keys ? { keys } : {}),
      run: () => setOpen(id),
    })),
    { id: 'palette', label: 'Add something here', group: 'Add', keys: '/', run: () => setOpen('add') },
    ...adding,
  ]
  const menu = (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button look="plain">
          <ListChecks size={13} /> Whole email
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content side="top" sideOffset={4} className="z-50 border border-grout bg-paper py-1">
          {lists.map(({ id, label, keys }) => (
            <DropdownMenu.Item
              key={id}
              className="flex justify-between gap-6 px-3 py-1 text-[12.5px] outline-none data-[highlighted]:bg-wash"
              onSelect={() => setOpen(id)}
            >
              {label}
              {keys && <kbd className="font-mono text-[11px] text-soft">{keys}</kbd>}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
  const dialog = (
    <>
      {open === 'find' && <FindDialog work={work} onClose={close} />}
      {open === 'add' && <AddPalette work={work} actions={adding} onClose={close} />}
      {open === 'links' && <LinksDialog work={work} onClose={close} />}
      {open === 'tracking' && <TrackingDialog work={work} onClose={close} />}
      {open === 'approval' && <ApprovalDialog work={work} onClose={close} />}
      {open === 'pictures' && <PicturesDialog work={work} onClose={close} />}
    </>
  )
  return { actions, menu, dialog }
}
