'use client'
import { Command } from 'cmdk'
import { ChevronDown } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useEffect, useMemo, useState } from 'react'
import { zoneAnswers, zoneAt, type Zone } from '@/core/motion/countdown/zones'
import { inSlices } from '../../parts/slices'

/** All zones that this browser knows, as they stand at a moment: some four hundred, so they come in slices. */
function useZones(open: boolean, at: string, own: string): readonly Zone[] {
  const [zones, setZones] = useState<readonly Zone[]>([])
  useEffect(() => {
    if (!open) return
    let wanted = true
    const found: Zone[] = []
    const moment = new Date(`${at}Z`)
    void inSlices(
      function* () {
        found.length = 0
        for (const id of new Set([own, 'UTC', ...Intl.supportedValuesOf('timeZone')])) {
          found.push(zoneAt(id, moment))
          yield
        }
      },
      () => wanted,
    ).then(() => wanted && setZones(found))
    return () => void (wanted = false)
  }, [open, at, own])
  return zones
}

/** A time zone, looked for by its place, its name or its offset. @param at wall time whose offset counts */
export function ZoneField({
  value,
  at,
  onChange,
}: {
  value: string
  at: string
  onChange: (zone: string) => void
}) {
  const [open, setOpen] = useState(false)
  const zones = useZones(open, at, value)
  const byId = useMemo(() => new Map(zones.map((z) => [z.id.toLowerCase(), z])), [zones])
  const now = useMemo(() => zoneAt(value, new Date(`${at}Z`)), [value, at])
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`Time zone: ${value}, ${now.offset}`}
        className="flex w-full items-center gap-1 border border-grout bg-sheet px-1.5 py-[3px] text-left text-xs text-ink"
      >
        <span className="min-w-0 flex-1">
          {now.place} <span className="font-mono text-[11px] text-soft">{now.offset.replace('UTC', '')}</span>
        </span>
        <ChevronDown size={12} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          sideOffset={6}
          className="z-50 w-[330px] border border-grout bg-paper"
        >
          <Command
            label="Find a time zone"
            filter={(id, typed) => {
              const zone = byId.get(id)
              return zone ? zoneAnswers(zone, typed) : 0
            }}
          >
            <Command.Input
              placeholder="Town, name or offset: Lisbon, CET, +5:30"
              className="w-full border-b border-grout bg-transparent px-2.5 py-2 text-xs outline-none placeholder:text-soft"
            />
            <Command.List className="max-h-[240px] overflow-auto p-1 text-xs">
              <Command.Empty className="p-2 text-soft">
                {zones.length
                  ? 'No zone goes by that. Try the largest town in it, or its offset.'
                  : 'Reading…'}
              </Command.Empty>
              {zones.map((z) => (
                <Command.Item
                  key={z.id}
                  value={z.id.toLowerCase()}
                  onSelect={() => {
                    onChange(z.id)
                    setOpen(false)
                  }}
                  className="flex items-baseline gap-2 px-1.5 py-1 data-[selected=true]:bg-wash"
                >
                  <span className="shrink-0 font-mono text-[11px]">{z.offset.replace('UTC', '')}</span>
                  <span className="shrink-0">{z.place}</span>
                  <span className="truncate text-soft">{z.name}</span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
