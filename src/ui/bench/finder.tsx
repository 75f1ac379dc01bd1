'use client'
import { Command } from 'cmdk'
import { Dialog as Radix } from 'radix-ui'
import { shownKeys, type Action } from './action'
import { answering } from './trade-words'

/** The finder: every action by name. */
export function Finder({ onClose, actions }: { onClose: () => void; actions: readonly Action[] }) {
  const groups = [...new Set(actions.map((a) => a.group))]
  // The package names items in small letters.
  const byId = new Map(actions.map((a) => [a.id.toLowerCase(), a]))
  return (
    <Radix.Root open onOpenChange={(o) => !o && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Radix.Content
          aria-describedby=""
          className="fixed top-[14vh] left-1/2 z-50 w-[520px] max-w-[calc(100vw-32px)] -translate-x-1/2 border-t-4 border-lapis bg-paper"
        >
          <Radix.Title className="sr-only">Find an action</Radix.Title>
          <Command
            label="Find an action"
            filter={(value, search) => {
              const action = byId.get(value)
              return action ? answering(action, search) : 0
            }}
          >
            <Command.Input
              placeholder="What do you want to do?"
              className="w-full border-b border-grout bg-transparent px-4 py-3 text-[15px] outline-none placeholder:text-soft"
            />
            <Command.List className="max-h-[46vh] overflow-auto p-1.5">
              <Command.Empty className="p-3 text-soft">
                Nothing goes by that name. Try another word for it.
              </Command.Empty>
              {groups.map((g) => (
                <Command.Group
                  key={g}
                  heading={g}
                  className="[&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-[11px] [&_[cmdk-group-heading]]:text-soft"
                >
                  {actions
                    .filter((a) => a.group === g && !a.off)
                    .map((a) => (
                      <Command.Item
                        key={a.id}
                        value={a.id.toLowerCase()}
                        onSelect={() => {
                          onClose()
                          a.run()
                        }}
                        className="flex items-center px-2.5 py-1.5 data-[selected=true]:bg-wash"
                      >
                        <span>{a.label}</span>
                        {a.keys && (
                          <kbd className="ml-auto font-mono text-[11px] text-soft">{shownKeys(a.keys)}</kbd>
                        )}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
