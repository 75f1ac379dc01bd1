'use client'
import { buttonVariants, type ButtonStyle, type ButtonVariant, type HouseStyle } from '@/core/email/styles'
import { ColorField, NumberField } from '../parts/controls'
import { GradientField } from '../parts/gradient-field'
import type { SetHouse } from './set-house'

const names: Record<ButtonVariant, string> = { main: 'Main', second: 'Second', quiet: 'Quiet' }

/** The values of a button that are colours, and what each is called. */
const colors = [
  { key: 'background', said: 'Ground' },
  { key: 'color', said: 'Words' },
  { key: 'hoverBackground', said: 'Pointed at' },
  { key: 'hoverColor', said: 'its words' },
  { key: 'nightBackground', said: 'At night' },
  { key: 'nightColor', said: 'its words' },
] as const

const numbers = [
  { key: 'size', said: 'Letters', min: 8, max: 60 },
  { key: 'radius', said: 'Corners', min: 0, max: 60 },
  { key: 'padX', said: 'Space beside', min: 0, max: 400 },
  { key: 'padY', said: 'Space above', min: 0, max: 60 },
  { key: 'borderWidth', said: 'Edge', min: 0, max: 12 },
] as const

/** The button of the house and the two that vary it: what they leave out they have of the main one. */
export function Buttons({ house, set }: { house: HouseStyle; set: SetHouse }) {
  const put = (variant: ButtonVariant, patch: Partial<ButtonStyle>) =>
    set((h) =>
      variant === 'main'
        ? { ...h, button: { ...h.button, ...patch } }
        : { ...h, buttons: { ...h.buttons, [variant]: { ...h.buttons?.[variant], ...patch } } },
    )
  return (
    <table className="w-full border-collapse text-xs">
      <thead>
        <tr>
          <th scope="col" className="p-1 text-left font-semibold">
            Button
          </th>
          {buttonVariants.map((v) => (
            <th key={v} scope="col" className="p-1 text-left font-semibold">
              {names[v]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {colors.map(({ key, said }) => (
          <Line key={key} said={said}>
            {(v) => {
              const own = v === 'main' ? house.button[key] : house.buttons?.[v]?.[key]
              const base =
                key.endsWith('olor') && key !== 'color' ? house.button.color : house.button.background
              const optional = v !== 'main' || (key !== 'background' && key !== 'color')
              return (
                <ColorField
                  label={`${names[v]} button: ${said} (${key})`}
                  value={own ?? house.button[key] ?? base}
                  swatches={house.colors}
                  own={optional && own !== undefined}
                  onClear={() => put(v, { [key]: undefined })}
                  onChange={(value) => put(v, { [key]: value })}
                />
              )
            }}
          </Line>
        ))}
        <GradientLine house={house} put={put} />
        {numbers.map(({ key, said, min, max }) => (
          <Line key={key} said={`${said}, px`}>
            {(v) => {
              const own = v === 'main' ? house.button[key] : house.buttons?.[v]?.[key]
              return (
                <NumberField
                  label={`${names[v]} button: ${said}, px`}
                  value={own ?? house.button[key] ?? 0}
                  own={v !== 'main' && own !== undefined}
                  min={min}
                  max={max}
                  onChange={(value) => put(v, { [key]: value })}
                />
              )
            }}
          </Line>
        ))}
      </tbody>
    </table>
  )
}

/** The gradients over their grounds. */
function GradientLine({
  house,
  put,
}: {
  house: HouseStyle
  put: (variant: ButtonVariant, patch: Partial<ButtonStyle>) => void
}) {
  return (
    <Line said="Gradient">
      {(v) => {
        const own = v === 'main' ? house.button : house.buttons?.[v]
        return (
          <GradientField
            label={`${names[v]} button`}
            value={own?.gradient}
            ground={own?.background ?? house.button.background}
            swatches={house.colors}
            onChange={(gradient) => put(v, { gradient })}
          />
        )
      }}
    </Line>
  )
}

/** One value of all three. */
const Line = ({ said, children }: { said: string; children: (v: ButtonVariant) => React.ReactNode }) => (
  <tr className="border-t border-grout">
    <th scope="row" className="p-1 text-left font-normal whitespace-nowrap text-soft">
      {said}
    </th>
    {buttonVariants.map((v) => (
      <td key={v} className="p-1">
        {children(v)}
      </td>
    ))}
  </tr>
)
