import { readFileSync } from 'node:fs'
import { fontFaces } from './faces'

const base = 'https://fennmoor.example/css/site.css'

test('a sheet says which fonts it brings, from where, and of what weight and slant', () => {
  const css = `@font-face{font-family:"Young Serif";src:url(../f/ys.woff) format("woff"),url('../f/ys.woff2') format("woff2")}
    @media screen{@font-face{font-family:Karla;font-weight:bold;font-style:italic;src:local("Karla"),url(https://cdn.example/k.woff2)}}
    @font-face{font-family:Wide;font-weight:100 900;src:url(w.woff2)}
    p{font-family:Karla}`
  expect(fontFaces(css, base)).toEqual([
    { family: 'Young Serif', address: 'https://fennmoor.example/f/ys.woff2', weight: 400, italic: false },
    { family: 'Karla', address: 'https://cdn.example/k.woff2', weight: 700, italic: true },
    { family: 'Wide', address: 'https://fennmoor.example/css/w.woff2', weight: 400, italic: false },
    { family: 'Wide', address: 'https://fennmoor.example/css/w.woff2', weight: 700, italic: false },
  ])
})

// The sheet of a package as it is published: a font parted by script, each part with its range.
test('of a font parted by scripts the Latin part is taken', () => {
  const sheet = readFileSync('node_modules/@fontsource/source-serif-4/400.css', 'utf8')
  const [face, ...others] = fontFaces(sheet, 'https://fonts.example/source-serif-4/400.css')
  expect(others).toEqual([])
  expect(face!.address).toMatch(
    /^https:\/\/fonts\.example\/source-serif-4\/files\/source-serif-4-latin-400-normal\.woff2$/,
  )
})

test.each([
  'no sheet at all {{{',
  '@font-face{font-family:A;src:url(data:font/woff2;base64,AAAA)}',
  '@font-face{font-family:A;src:url(http://old.example/a.woff2)}',
  '@font-face{font-family:A;src:url(a.eot)}',
  '@font-face{src:url(a.woff2)}',
])('%s: nothing that could be loaded', (css) => expect(fontFaces(css, base)).toEqual([]))
