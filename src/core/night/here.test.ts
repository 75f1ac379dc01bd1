import { styleOf } from '../email/cascade'
import { newBand, newEmail } from '../email/defaults'
import { applyEdit, type Edit } from '../email/edits'
import { textOf } from '../email/richtext'
import type { Email } from '../email/schema'
import { plainHouseStyle } from '../email/styles'
import { newTile } from '../tiles'
import { emailSchema } from '../tiles/document'
import { compile } from '../compile'
import { colorHere } from './here'

const house = plainHouseStyle()
const { color: ink } = styleOf(house, {}).roles.main.text.body
const { background: filled } = styleOf(house, {}).roles.main.button.main

/** Two bands alike: words and a button. */
const email: Email = {
  ...newEmail(600),
  bands: ['a', 'b'].map((id) => {
    const band = newBand(600)
    const [cell] = band.cells
    const items = [
      { ...newTile('words'), id: `${id}w`, text: textOf('Words here') },
      { ...newTile('button'), id: `${id}b` },
    ]
    return { ...band, id, cells: [{ ...cell!, id: `${id}c`, items }] }
  }) as Email['bands'],
}
const taken = (from: string, to: string): Email =>
  colorHere(email, house, email.bands[0]!, from, to).reduce(
    (e: Email, edit: Edit) => applyEdit(e, edit),
    email,
  )
const htmlOf = (e: Email, band: number) =>
  compile({ ...e, bands: [e.bands[band]!] }, house, { src: () => '' })

test('an inherited colour is taken in one band alone; every other stays as it was', () => {
  const next = emailSchema.parse(taken(ink, '#123456'))
  expect(next.bands[1]).toEqual(email.bands[1])
  expect(htmlOf(next, 0)).toContain('#123456')
  expect(htmlOf(next, 0)).not.toContain(`color:${ink}`)
  const button = emailSchema.parse(taken(filled, '#654321'))
  expect(htmlOf(button, 0)).toContain('#654321')
  expect(htmlOf(button, 1)).toBe(htmlOf(email, 1))
})

test('a colour that does not stand there asks for no change', () => {
  expect(colorHere(email, house, email.bands[0]!, '#0bad01', '#123456')).toEqual([])
})
