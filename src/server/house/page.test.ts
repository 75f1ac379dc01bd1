import { readFileSync } from 'node:fs'
import { hostOf } from '@/test-support/host'
import { ownData } from '@/test-support/server'
import { measureFont } from '../fonts/measures'
import { fontResponse } from '../fonts/fonts'
import { closePool } from '../pool'
import { looksOfAddress } from './page'

ownData()

const karla = (weight: number) =>
  readFileSync(`node_modules/@fontsource/karla/files/karla-latin-${weight}-normal.woff2`)

/** A page with its sheet and fonts, as its host answers. */
const limits = hostOf({
  '/': [
    'text/html',
    `<link rel="stylesheet" href="/css/site.css"><style>h1{font-family:Broken}@font-face{font-family:Broken;src:url(/f/broken.woff2)}</style>
    <body><h1>Seeds of the winter, dried and counted</h1><p>Four hundred kinds of seed, and one more.</p></body>`,
  ],
  '/css/site.css': [
    'text/css',
    `body{font-family:Karla,sans-serif}
    @font-face{font-family:Karla;font-weight:700;src:url(../f/bold.woff2)}
    @font-face{font-family:Karla;src:url(../f/karla.woff2)}`,
  ],
  '/f/karla.woff2': ['font/woff2', karla(400)],
  '/f/bold.woff2': ['font/woff2', karla(700)],
  '/f/broken.woff2': ['font/woff2', Buffer.concat([karla(400).subarray(0, 900), Buffer.alloc(900)])],
})

afterAll(closePool)

// Real files of a font under the SIL Open Font License, which its name table says.
test('the fonts of a page are offered where their files name an open licence, regular first; others say why not', async () => {
  const { fonts } = await looksOfAddress('https://fennmoor-seeds.example/', limits)
  const [karlas, broken] = ['Karla', 'Broken'].map((name) => fonts.find((f) => f.value === name)!)
  expect(karlas!.offer).toEqual({
    licence: 'SIL Open Font License',
    files: [
      ['karla', 400],
      ['bold', 700],
    ].map(([file, weight]) => ({
      address: `https://fennmoor-seeds.example/f/${file}.woff2`,
      weight,
      italic: false,
      kept: expect.stringMatching(/^[0-9a-f]{64}$/) as string,
      measures: measureFont(karla(weight as 400 | 700)),
    })),
  })
  const kept = await fontResponse(karlas!.offer!.files[0]!.kept!)
  expect(Buffer.from(await kept.arrayBuffer()).equals(karla(400))).toBe(true)
  expect(broken).toMatchObject({ held: 'Its files could not be read.' })
  expect(broken!.offer).toBeUndefined()
})
