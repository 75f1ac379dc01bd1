import { z } from 'zod'
import { routes } from '@/contract'
import type { Route } from '@/contract/route'

/** A JSON Schema in few words: types, names of properties, limits where they are asked of the caller. */
interface JsonSchema {
  type?: string | string[]
  $ref?: string
  description?: string
  enum?: unknown[]
  const?: unknown
  properties?: Record<string, JsonSchema>
  required?: string[]
  items?: JsonSchema
  anyOf?: JsonSchema[]
  oneOf?: JsonSchema[]
  additionalProperties?: boolean | JsonSchema
}

const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): JsonSchema =>
  z.toJSONSchema(schema, { io, unrepresentable: 'any', override: named }) as JsonSchema

/** Large documents are named, not spelled out. */
function named({
  zodSchema,
  jsonSchema,
}: {
  zodSchema: z.core.$ZodType
  jsonSchema: z.core.JSONSchema.BaseSchema
}): void {
  const file = (z.globalRegistry.get(zodSchema) as { $ref?: string } | undefined)?.$ref
  if (!file) return
  for (const key of Object.keys(jsonSchema)) delete jsonSchema[key]
  jsonSchema.$ref = file
}

/** What a schema says of a value, in words. @param deep how far objects are opened */
function said(schema: JsonSchema, deep = 4): string {
  if (schema.$ref) return `[${schema.$ref}](${schema.$ref})`
  const either = schema.anyOf ?? schema.oneOf
  if (either) return [...new Set(either.map((s) => said(s, deep)))].join(' or ')
  if (schema.enum) return schema.enum.map((v) => `"${String(v)}"`).join(' or ')
  if (schema.const !== undefined) return `"${String(schema.const)}"`
  if (schema.items) return `[${said(schema.items, deep)}]`
  if (!schema.properties) return [schema.type ?? schema.description ?? 'any value'].flat().join(' or ')
  if (deep <= 0) return '{ … }'
  const required = new Set(schema.required)
  const entries = Object.entries(schema.properties).map(([key, value]) => {
    const kind = said(value, deep - 1)
    return `${key}${required.has(key) ? '' : '?'}: ${kind}`
  })
  return `{ ${entries.join(', ')} }`
}

/** A list of properties with what their schema adds. */
function properties(schema: JsonSchema): string[] {
  const required = new Set(schema.required)
  return Object.entries(schema.properties ?? {}).map(([key, value]) => {
    const about = value.description ? `: ${value.description}` : ''
    return `- \`${key}\`${required.has(key) ? '' : ' (may be left out)'}: ${said(value)}${about}`
  })
}

function section(key: string, route: Route): string {
  const parts = [`### ${key}`, route.does]
  if (route.query) parts.push('Behind the `?`:', properties(schemaOf(route.query, 'input')).join('\n'))
  if (route.form) {
    const files = Object.entries(route.form.files).map(([field, what]) => `- \`${field}\`: a file: ${what}`)
    const fields = route.form.fields ? properties(schemaOf(route.form.fields, 'input')) : []
    parts.push(
      `Takes \`multipart/form-data\` of at most ${route.form.most} MB:`,
      [...files, ...fields].join('\n'),
    )
  }
  if (route.body) {
    const schema = schemaOf(route.body, 'input')
    parts.push(`${route.form ? 'Or JSON' : 'Takes JSON'}:`, properties(schema).join('\n'))
  }
  const status = route.status === 201 ? '201, ' : ''
  if (typeof route.gives === 'string') parts.push(`Gives ${status}\`${route.gives}\`.`)
  else parts.push(`Gives ${status}JSON:`, properties(schemaOf(route.gives, 'output')).join('\n'))
  if (route.remark) parts.push(`${route.remark[0]!.toUpperCase()}${route.remark.slice(1)}.`)
  if (route.problems) parts.push(`Problems: ${route.problems}.`)
  if (route.long) parts.push('Long work: see above.')
  return parts.join('\n\n')
}

/** The text of docs/api.md. */
export const apiDocs = (): string => `# The routes

Everything the interface does to data goes through these routes, so the app can be scripted. They speak JSON and listen on 127.0.0.1 only. This page is
written from the contract (\`src/contract\`) that checks requests and answers and types the page's calls (\`npm run api-docs\`).

- **Errors** are \`application/problem+json\` (RFC 9457): \`type\` (its last part names the kind), \`title\` (what), \`detail\` (why, and what to do), \`status\`, and now and then more. What is
  not as described gives 422 with \`issues: [{ at, message }]\`; what is no JSON gives 400.
- **Revisions**: saving names the revision it started from. If another tab or script saved meanwhile, the answer is 409 with the current \`revision\`, and nothing is overwritten.
- **Long work** runs as a task, apart from what answers requests. The answer is its result, and closing the connection cancels it. With \`Prefer: respond-async\` (RFC 7240) the answer
  is 202 with the task and its address in \`Location\`: it then goes on by itself, tells of its progress at \`/api/tasks/events\`, and is cancelled by \`DELETE\`.
- **Sending twice**: a delivery with an \`Idempotency-Key\` that went well is not done again; its answer is given again.
- **Other sites** may not change anything: a request with a foreign \`Origin\` gets 403.

${Object.entries(routes as Record<string, Route>)
  .map(([key, route]) => section(key, route))
  .join('\n\n')}
`
