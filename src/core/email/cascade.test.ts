import { plainHouseStyle, type HouseStyle, type StyleOverrides } from './styles'
import { buttonLayers, linkLayers, resolveStyle, styleOf, textLayers, trace } from './cascade'

const house: HouseStyle = {
  ...plainHouseStyle(),
  roles: {
    footer: { text: { all: { color: '#111111' }, small: { color: '#222222' } }, link: { color: '#333333' } },
  },
}
const own: StyleOverrides = {
  text: { small: { size: 12, color: '#444444' } },
  button: { radius: 9 },
  buttons: { second: { radius: 2 } },
  roles: { footer: { text: { small: { bold: true } }, button: { padX: 7 } } },
}

test('house style, then email, then role, then the text style within the role: each prevails over the ones before', () => {
  const { roles } = resolveStyle(house, own)
  expect([roles.main.text.small.size, roles.main.text.small.color]).toEqual([12, '#444444'])
  expect([roles.footer.text.small.size, roles.footer.text.small.color, roles.footer.text.small.bold]).toEqual(
    [12, '#222222', true],
  )
  expect(roles.footer.text.heading1.color).toBe('#111111')
  expect([roles.main.link.color, roles.footer.link.color]).toEqual([house.link.color, '#333333'])
  expect([
    roles.main.base,
    roles.footer.base,
    resolveStyle({ ...house, roles: { main: { base: 'small' } } }, {}).roles.main.base,
  ]).toEqual(['body', 'small', 'small'])
})

test('variants of the button inherit what they do not change', () => {
  const { button } = resolveStyle(house, own).roles.main
  expect([button.main.radius, button.second.radius, button.quiet.radius]).toEqual([9, 2, 9])
  expect([button.second.background, button.second.size]).toEqual(['#ffffff', house.button.size])
  expect(resolveStyle(house, own).roles.footer.button.main.padX).toBe(7)
})

test('a value is traced to where it comes from, with what it covers; cleared there, the next one counts', () => {
  const layers = textLayers(house, own, 'footer', 'small')
  expect(trace(layers, { color: '#555555' }, 'color')).toEqual({
    value: '#555555',
    from: 'tile',
    beneath: [
      { from: 'role', value: '#222222' },
      { from: 'role', value: '#111111' },
      { from: 'email', value: '#444444' },
      { from: 'house', value: house.text.small.color },
    ],
  })
  expect(trace(layers, { color: undefined }, 'color')?.from).toBe('role')
  expect(trace(layers, undefined, 'line')).toEqual({
    value: house.text.small.line,
    from: 'house',
    beneath: [],
  })
  expect(trace(layers, undefined, 'nightColor')).toBeUndefined()
  expect(trace(linkLayers(house, own, 'footer'), undefined, 'color')?.from).toBe('role')
  expect(trace(buttonLayers(house, own, 'main', 'second'), undefined, 'radius')).toMatchObject({
    value: 2,
    from: 'email',
  })
})

test('every traced value is the one that counts', () => {
  for (const role of ['header', 'main', 'footer', 'notice'] as const)
    for (const name of ['body', 'small', 'heading1'] as const) {
      const settled = resolveStyle(house, own).roles[role].text[name]
      for (const key of Object.keys(settled) as (keyof typeof settled)[])
        expect(trace(textLayers(house, own, role, name), undefined, key)?.value).toEqual(settled[key])
    }
})

test('the same inputs give the same object, so that what was compiled with it stays good', () => {
  expect(styleOf(house, own)).toBe(styleOf(house, own))
  expect(styleOf(house, { ...own })).not.toBe(styleOf(house, own))
})
