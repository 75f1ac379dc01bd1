import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { plainHouseStyle } from '@/core/email/styles'
import { keptFaces, MEASURED } from '@/core/email/fonts'
import { ownData } from '@/test-support/server'
import { createClient } from '../jobs/clients'
import { collectPictures } from '../pictures/collect'
import { dataFolder } from '../settings'
import { fontResponse, takeInFont } from './fonts'

ownData()

/** A file as a form brings it. */
function sent(name: string, bytes: Uint8Array) {
  const path = join(dataFolder(), name)
  writeFileSync(path, bytes)
  return { content: { path }, name } as Parameters<typeof takeInFont>[0]
}

// Real files, of the packages that the app's own pages and the demo use.
const fontFile = (pack: string, ending: string) =>
  readFileSync(`node_modules/@fontsource/${pack}/files/${pack}-latin-400-normal.${ending}`)

test('fonts are told by their first bytes, kept once, and answered as what they are', async () => {
  const woff2 = fontFile('karla', 'woff2')
  const { id, measures } = await takeInFont(sent('a.woff2', woff2))
  expect(measures!.widths).toHaveLength(MEASURED.length)
  expect(await takeInFont(sent('same.ttf', woff2))).toEqual({ id, measures })
  const answer = await fontResponse(id)
  expect(answer.headers.get('content-type')).toBe('font/woff2')
  expect(answer.headers.get('x-content-type-options')).toBe('nosniff')
  expect(Buffer.from(await answer.arrayBuffer()).equals(woff2)).toBe(true)
  const woff = await takeInFont(sent('b', fontFile('karla', 'woff')))
  expect((await fontResponse(woff.id)).headers.get('content-type')).toBe('font/woff')
})

test('what is no font is refused, whatever its name; other files are not reached', async () => {
  await expect(takeInFont(sent('c.woff2', Buffer.from('<svg onload="x()">')))).rejects.toMatchObject({
    status: 415,
    kind: 'not-a-font',
  })
  const large = Buffer.concat([Buffer.from('wOF2'), Buffer.alloc(5 * 1024 * 1024)])
  await expect(takeInFont(sent('d.woff2', large))).rejects.toMatchObject({ status: 413 })
  for (const id of ['../mosaicus.db', 'f'.repeat(64)])
    await expect(fontResponse(id)).rejects.toMatchObject({ status: 404 })
})

test('a font goes a month after no house style names it any more', async () => {
  const { id: named } = await takeInFont(sent('e', fontFile('young-serif', 'woff2')))
  const { id: loose } = await takeInFont(sent('f', fontFile('marcellus', 'woff2')))
  const file = { address: 'https://fennmoor-seeds.example/f.woff2', weight: 400, italic: false, kept: named }
  const webFonts = [{ family: 'Young Serif', fallback: 'serif' as const, files: [file] }]
  createClient('Fennmoor', { ...plainHouseStyle(), webFonts })
  await collectPictures(Date.now() + 31 * 24 * 3600 * 1000)
  expect((await fontResponse(named)).status).toBe(200)
  await expect(fontResponse(loose)).rejects.toMatchObject({ status: 404 })
  expect(keptFaces(webFonts)).toEqual([
    {
      family: 'Young Serif',
      source: `url(/api/fonts/${named})`,
      descriptors: { weight: '400', style: 'normal' },
    },
  ])
})
