import { readFileSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
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

test('every route of the app is described, with each of its methods', () => {
  const docs = apiDocs()
  for (const file of files('src/app/api')) {
    const path = file
      .replace('src/app', '')
      .replace('/route.ts', '')
      .replace(/\[(\w+)\]/g, ':$1')
    if (path === '/api/standins/inbox/messages/:message') continue
    for (const [, method] of readFileSync(file, 'utf8').matchAll(
      /export const (GET|POST|PUT|PATCH|DELETE)\b/g,
    )) {
      if (method !== 'DELETE') expect(docs).toContain(`### ${method} ${path}\n`)
    }
  }
})
