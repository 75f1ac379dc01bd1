'use client'
import { useCallback, useState } from 'react'

/** Heights of the tray, px. */
const [LEAST, MOST, FIRST] = [160, 460, 240]

/** How far an arrow key moves its edge, px. */
const STEP = 16

const STORED = 'mosaicus:tray'

const bounded = (height: number): number => Math.round(Math.min(MOST, Math.max(LEAST, height)))

const remembered = (): number => {
  try {
    return bounded(Number(localStorage.getItem(STORED)) || FIRST)
  } catch {
    return FIRST
  }
}

/** How tall the tray is, remembered in this browser. */
export function useTrayHeight(): [number, (height: number) => void] {
  const [height, setHeight] = useState(remembered)
  const set = useCallback((wanted: number) => {
    const next = bounded(wanted)
    setHeight(next)
    try {
      localStorage.setItem(STORED, String(next))
    } catch {
      /* Forbidden: it holds until the page goes. */
    }
  }, [])
  return [height, set]
}

/** The upper edge of the tray: dragged, or moved by the arrow keys (WAI-ARIA 1.2, separator). */
export function TrayEdge({ height, onHeight }: { height: number; onHeight: (height: number) => void }) {
  return (
    // A separator that can be focused is a widget, which the rules of the linter do not know.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <div
      role="separator"
      aria-orientation="horizontal"
      aria-label="Height of the tray"
      aria-valuenow={height}
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      title="Drag to make the tray taller"
      className="absolute right-0 left-0 z-20 h-[7px] cursor-row-resize hover:bg-lapis/40 focus-visible:bg-lapis/60"
      style={{ bottom: height - 3 }}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={(e) => {
        if (e.currentTarget.hasPointerCapture(e.pointerId)) onHeight(innerHeight - e.clientY)
      }}
      onDoubleClick={() => onHeight(FIRST)}
      onKeyDown={(e) => {
        if (e.key === 'ArrowUp') onHeight(height + STEP)
        else if (e.key === 'ArrowDown') onHeight(height - STEP)
        else return
        e.preventDefault()
        e.stopPropagation()
      }}
    />
  )
}
