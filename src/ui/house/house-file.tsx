'use client'
import { useState } from 'react'
import { housePresets, withPreset } from '@/core/house/presets'
import { readHouse } from '@/core/email/migrations'
import type { HouseStyle } from '@/core/email/styles'
import { download } from '../parts/download'
import { FileButton } from '../parts/file-button'
import { Button } from '../parts/controls'

/** Presets, and the house style as a file: handed out as JSON, and taken in. */
export function HouseFile({
  house,
  name,
  onChange,
}: {
  house: HouseStyle
  /** Of the client. */
  name: string
  onChange: (house: HouseStyle) => void
}) {
  const [problem, setProblem] = useState<string | null>(null)
  const save = () =>
    download(
      new Blob([JSON.stringify(house, null, 2)], { type: 'application/json' }),
      `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-house.json`,
    )
  async function take(file: File) {
    try {
      onChange(readHouse(JSON.parse(await file.text())))
      setProblem(null)
    } catch {
      setProblem(
        `"${file.name}" is no house style: take a file that was saved here (docs/house.schema.json).`,
      )
    }
  }
  return (
    <div className="mb-3 flex flex-wrap items-center gap-2">
      <select
        aria-label="Letters and button of a preset"
        value=""
        className="border border-grout bg-sheet px-1.5 py-1 text-xs"
        onChange={(e) => {
          const preset = housePresets.find((p) => p.name === e.target.value)
          if (preset) onChange(withPreset(house, preset))
        }}
      >
        <option value="">Letters and button of…</option>
        {housePresets.map((p) => (
          <option key={p.name}>{p.name}</option>
        ))}
      </select>
      <Button onClick={save}>Save as JSON</Button>
      <FileButton label="Take from JSON" accept=".json,application/json" onFile={(f) => void take(f)} />
      {problem && (
        <p role="alert" className="text-xs text-terra">
          {problem}
        </p>
      )}
    </div>
  )
}
