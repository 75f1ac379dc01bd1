import { readFileSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { routes } from '@/contract'
import { apiDocs } from './docs'
import { schemaDocs } from './schemas'

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((f) => {
    const p = join(folder, f)
    return statSync(p).isDirectory() ? files(p) : [p]
  })

test('docs/api.md and the schemas stand as the code has them (npm run api-docs)', () => {
  expect(readFileSync('docs/api.md', 'utf8')).toBe(apiDocs())
  for (const [name, text] of Object.entries(schemaDocs()))
    expect(readFileSync(`docs/${name}`, 'utf8')).toBe(text)
})

test('every route of the app is in the contract, and every route of the contract in the app', () => {
  const served = files('src/app/api').flatMap((file) => {
    const path = file
      .replace('src/app', '')
      .replace('/route.ts', '')
      .replace(/\[(\w+)\]/g, ':$1')
    const methods = readFileSync(file, 'utf8').matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)
    return [...methods].map(([, method]) => `${method} ${path}`)
  })
  expect(served.sort()).toEqual(Object.keys(routes).sort())
})

// Each handler names its own key of the contract.
test.each(files('src/app/api'))('%s serves what its path says', (file) => {
  const source = readFileSync(file, 'utf8')
  for (const [, method, key] of source.matchAll(/export const (\w+) = serve\w*\(\s*'([^']+)'/g))
    expect(key).toBe(
      `${method} ${file
        .replace('src/app', '')
        .replace('/route.ts', '')
        .replace(/\[(\w+)\]/g, ':$1')}`,
    )
})
