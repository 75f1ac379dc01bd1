'use client'
import { Button } from './controls'

/** A page or artboard of a design's file. */
export interface Board {
  name: string
  width: number
  height: number
  emailWidth: number
  density: number
  narrow: boolean
}

/** Which page or artboard of a file is meant. */
export function BoardChoice({
  boards,
  chosen,
  onChosen,
}: {
  boards: readonly Board[]
  chosen?: number
  onChosen: (i: number) => void
}) {
  return (
    <div
      className="flex max-h-36 w-full flex-col gap-1 overflow-y-auto"
      role="group"
      aria-label="Page or artboard"
    >
      {boards.map((b, i) => (
        <Button
          key={i}
          look={i === chosen ? 'main' : 'line'}
          className="justify-between!"
          aria-pressed={i === chosen}
          onClick={() => onChosen(i)}
        >
          <span className="truncate">
            {b.name}
            {b.narrow ? ' (narrow)' : ''}
          </span>
          <span className="font-mono text-[11px]">
            {b.width} x {b.height}
          </span>
        </Button>
      ))}
    </div>
  )
}
