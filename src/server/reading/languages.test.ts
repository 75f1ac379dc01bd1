import { existsSync } from 'node:fs'
import { bringLanguage, languagesHere, trainedData } from './languages'

test('English is at hand, and what is no language of ours never names a file', () => {
  expect(existsSync(trainedData('eng')!)).toBe(true)
  expect(trainedData('../../package')).toBeNull()
  expect(languagesHere().find((l) => l.code === 'eng')).toEqual({
    code: 'eng',
    tag: 'en',
    name: 'English',
    here: true,
  })
})

test('a language that is none is refused before anything is fetched', async () => {
  await expect(bringLanguage('xyz')).rejects.toMatchObject({ status: 404 })
  await expect(bringLanguage('eng; rm')).rejects.toMatchObject({ status: 404 })
})
