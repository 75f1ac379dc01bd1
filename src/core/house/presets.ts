import type { SafeFont } from '../email/fonts'
import { textStyleNames, type HouseStyle, type TextStyleName } from '../email/styles'

/** Letters and button of a house style to begin from; its colours stay. */
export interface HousePreset {
  name: string
  body: SafeFont
  headings: SafeFont
  bold: boolean
  /** px, from body to heading 3. */
  sizes: Record<TextStyleName, [size: number, line: number]>
  button: Pick<HouseStyle['button'], 'radius' | 'padX' | 'padY' | 'bold' | 'size'>
}

export const housePresets: readonly HousePreset[] = [
  {
    name: 'Plain',
    body: 'sans',
    headings: 'sans',
    bold: true,
    sizes: { body: [16, 24], small: [13, 19], heading1: [30, 36], heading2: [24, 30], heading3: [19, 25] },
    button: { radius: 4, padX: 28, padY: 14, bold: true, size: 16 },
  },
  {
    name: 'Quiet serif',
    body: 'serif',
    headings: 'serif',
    bold: false,
    sizes: { body: [17, 27], small: [13, 20], heading1: [38, 44], heading2: [27, 34], heading3: [21, 28] },
    button: { radius: 0, padX: 30, padY: 13, bold: false, size: 16 },
  },
  {
    name: 'Loud and narrow',
    body: 'sans',
    headings: 'condensed',
    bold: true,
    sizes: { body: [16, 25], small: [13, 20], heading1: [52, 54], heading2: [32, 36], heading3: [22, 27] },
    button: { radius: 24, padX: 34, padY: 14, bold: true, size: 17 },
  },
  {
    name: 'Friendly',
    body: 'humanist',
    headings: 'humanist',
    bold: true,
    sizes: { body: [16, 26], small: [13, 20], heading1: [34, 40], heading2: [25, 32], heading3: [20, 26] },
    button: { radius: 10, padX: 28, padY: 13, bold: true, size: 16 },
  },
]

/** A house style with the letters and the button of a preset. */
export function withPreset(house: HouseStyle, preset: HousePreset): HouseStyle {
  const style = (name: TextStyleName) => {
    const heading = name.startsWith('heading')
    const [size, line] = preset.sizes[name]
    const { narrowSize: _, narrowLine: __, ...now } = house.text[name]
    const font = heading ? preset.headings : preset.body
    return [name, { ...now, font, size, line, bold: heading && preset.bold }] as const
  }
  return {
    ...house,
    text: Object.fromEntries(textStyleNames.map(style)) as HouseStyle['text'],
    button: { ...house.button, ...preset.button, font: preset.body },
  }
}
