'use client'
import dynamic from 'next/dynamic'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { Dialog } from '../parts/dialog'
import { keysOf, shownKeys, type Action } from './action'

export type { Action } from './action'

const loadFinder = () => import('./finder').then((m) => m.Finder)
const Finder = dynamic(loadFinder, { ssr: false })

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * Listens for the shortcuts of the actions at hand. While words are being typed only Ctrl shortcuts count.
 */
function useShortcuts(actions: () => readonly Action[]): void {
  const current = useRef(actions)
  current.current = actions
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      // The finder may be what the next key opens.
      if (e.key === 'Control' || e.key === 'Meta') void loadFinder()
      if (e.defaultPrevented) return
      const keys = keysOf(e)
      if (typing(e.target) && !/^(Ctrl|Escape)/.test(keys)) return
      const role = e.target instanceof HTMLElement ? e.target.getAttribute('role') : null
      if (
        /^(Arrow|Enter|Home|End)/.test(keys) &&
        (role === 'radio' ||
          role === 'spinbutton' ||
          (e.target instanceof HTMLElement && e.target.tagName === 'BUTTON' && keys === 'Enter'))
      )
        return
      if (document.querySelector('[role=dialog]') && !keys.startsWith('Ctrl')) return
      const action = current.current().find((a) => !a.off && a.keys === keys)
      if (action) {
        e.preventDefault()
        action.run()
      }
    }
    addEventListener('keydown', on)
    return () => removeEventListener('keydown', on)
  }, [])
}

/** The sheet of all shortcuts. */
export function ShortcutSheet({
  open,
  onClose,
  actions,
}: {
  open: boolean
  onClose: () => void
  actions: readonly Action[]
}) {
  const groups = [...new Set(actions.filter((a) => a.keys).map((a) => a.group))]
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Shortcuts"
      about="Ctrl is Command on a Mac. Everything else is in the finder, Ctrl K."
      wide
    >
      <div className="columns-2 gap-8">
        {groups.map((g) => (
          <div key={g} className="mb-4 break-inside-avoid">
            <h3 className="mb-1 text-sm">{g}</h3>
            <dl>
              {actions
                .filter((a) => a.group === g && a.keys)
                .map((a) => (
                  <div key={a.id} className="flex justify-between gap-3 border-t border-grout py-1">
                    <dt>{a.label}</dt>
                    <dd>
                      <kbd className="font-mono text-xs">{shownKeys(a.keys!)}</kbd>
                    </dd>
                  </div>
                ))}
            </dl>
          </div>
        ))}
      </div>
    </Dialog>
  )
}

/**
 * Opens and closes the finder and the sheet.
 * @param actions asked when needed, so that a stage may hand over new ones at each drawing
 */
export function useFinder(actions: () => readonly Action[]) {
  const [open, setOpen] = useState<'finder' | 'sheet' | null>(null)
  const own: Action[] = [
    { id: 'finder', label: 'Find an action', group: 'App', keys: 'Ctrl K', run: () => setOpen('finder') },
    { id: 'sheet', label: 'Show all shortcuts', group: 'App', keys: '?', run: () => setOpen('sheet') },
  ]
  const all = () => [...actions(), ...own]
  useShortcuts(all)
  const close = () => setOpen(null)
  return {
    openFinder: () => setOpen('finder'),
    openSheet: () => setOpen('sheet'),
    finder: (
      <>
        {open === 'finder' && <Finder onClose={close} actions={all()} />}
        <ShortcutSheet open={open === 'sheet'} onClose={close} actions={open ? all() : []} />
      </>
    ),
  }
}

/**
 * Hands the actions of the stage on display to the bench, after each drawing.
 * @param set keeps them without drawing anything anew
 */
export function useStageActions(set: (a: Action[]) => void, actions: Action[]): void {
  // Before the screen shows what they act on: the next key may come at once.
  useLayoutEffect(() => set(actions))
}
