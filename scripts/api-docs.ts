/**
 * Writes docs/api.md from the schemas the routes themselves use. Usage: npm run api-docs; the test in
 * src/server/api fails when it is out of date.
 */
import { writeFileSync } from 'node:fs'
import { apiDocs } from '@/server/api/docs'
import { schemaDocs } from '@/server/api/schemas'

writeFileSync('docs/api.md', apiDocs())
for (const [name, text] of Object.entries(schemaDocs())) writeFileSync(`docs/${name}`, text)
