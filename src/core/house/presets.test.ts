import { houseStyleSchema, plainHouseStyle } from '../email/styles'
import { housePresets, withPreset } from './presets'

test.each(housePresets.map((p) => [p.name, p] as const))(
  '%s sets letters and button, and leaves colours',
  (_, preset) => {
    const before = plainHouseStyle()
    const house = houseStyleSchema.parse(withPreset(before, preset))
    expect(house.text.heading1).toMatchObject({ font: preset.headings, bold: preset.bold })
    expect(house.text.body.font).toBe(preset.body)
    const colors = (h: typeof house) => JSON.stringify(h).match(/#[0-9a-f]{6}/g)
    expect(colors(house)).toEqual(colors(before))
    // Lines have room for their letters, and headings step down.
    const sizes = Object.values(house.text).map((t) => [t.size, t.line] as const)
    expect(sizes.every(([size, line]) => line > size)).toBe(true)
    expect(house.text.heading1.size).toBeGreaterThan(house.text.heading2.size)
  },
)
