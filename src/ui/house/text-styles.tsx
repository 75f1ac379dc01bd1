'use client'
import { textStyleNames, type HouseStyle, type TextStyle, type TextStyleName } from '@/core/email/styles'
import { ColorField, NumberField } from '../parts/controls'
import { Dropdown, fontOptions, Tick } from '../compose/groups/parts'
import type { SetHouse } from './set-house'

type SetText = (name: TextStyleName, patch: Partial<TextStyle>) => void

const names: Record<TextStyleName, string> = {
  body: 'Body',
  small: 'Small',
  heading1: 'Heading 1',
  heading2: 'Heading 2',
  heading3: 'Heading 3',
}

/** Sizes and line heights, px; those of narrow are those of wide unless they are set. */
const measures = [
  { key: 'size', of: 'size', said: (n: string) => `Size of ${n}`, min: 6, max: 120 },
  { key: 'line', of: 'line', said: (n: string) => `Line height of ${n}`, min: 6, max: 200 },
  { key: 'narrowSize', of: 'size', said: (n: string) => `Size of ${n} on narrow`, min: 6, max: 120 },
  { key: 'narrowLine', of: 'line', said: (n: string) => `Line height of ${n} on narrow`, min: 6, max: 200 },
] as const

/** The text styles, one a row. */
export function TextStyles({ house, set }: { house: HouseStyle; set: SetHouse }) {
  const text: SetText = (name, patch) =>
    set((h) => ({ ...h, text: { ...h.text, [name]: { ...h.text[name], ...patch } } }))
  return (
    <table className="w-full border-collapse text-xs">
      <thead>
        <tr>
          {['Text', 'Font', 'Size', 'Line', 'On narrow', '', 'Colour', 'At night', ''].map((h, i) => (
            <th key={h + i} scope="col" className="p-1 text-left font-semibold">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {textStyleNames.map((n) => (
          <TextStyleRow key={n} n={n} s={house.text[n]} house={house} text={text} />
        ))}
      </tbody>
    </table>
  )
}

function TextStyleRow({
  n,
  s,
  house,
  text,
}: {
  n: TextStyleName
  s: HouseStyle['text']['body']
  house: HouseStyle
  text: SetText
}) {
  return (
    <tr className="border-t border-grout">
      <th scope="row" className="p-1 text-left font-normal whitespace-nowrap">
        {names[n]}
      </th>
      <td className="p-1">
        <Dropdown
          label={`Font of ${names[n]}`}
          value={s.font}
          options={fontOptions(house)}
          onChange={(font) => text(n, { font })}
        />
      </td>
      {measures.map(({ key, said, of, min, max }) => (
        <td key={key} className="w-14 p-1">
          <NumberField
            label={`${said(names[n])}, px`}
            value={s[key] ?? s[of]}
            own={key !== of && s[key] !== undefined}
            min={min}
            max={max}
            onChange={(v) => text(n, { [key]: key !== of && v === s[of] ? undefined : v })}
          />
        </td>
      ))}
      <td className="p-1">
        <ColorField
          label={`Colour of ${names[n]}`}
          value={s.color}
          swatches={house.colors}
          onChange={(color) => text(n, { color })}
        />
      </td>
      <td className="p-1">
        <ColorField
          label={`Colour of ${names[n]} at night`}
          value={s.nightColor ?? s.color}
          own={s.nightColor !== undefined}
          onClear={() => text(n, { nightColor: undefined })}
          swatches={house.colors}
          onChange={(nightColor) => text(n, { nightColor })}
        />
      </td>
      <td className="p-1">
        <Tick checked={s.bold} onChange={(bold) => text(n, { bold })}>
          bold
        </Tick>
      </td>
    </tr>
  )
}
