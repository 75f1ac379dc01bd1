import { counted } from '@/core/interact/answers'
import { modeOf } from '../db'
import { answersOf, keepAnswer, listOf } from './store'

/** Most bytes of one answer, and most of its fields. */
const MOST_BYTES = 64 * 1024
const MOST_FIELDS = 60
const MOST_VALUE = 4000

/** How a message asks: the two versions of the standard, or a page. */
interface From {
  version: 1 | 2 | null
  sender: string
  origin: string
}

function fromOf(request: Request): From {
  const sender = request.headers.get('amp-email-sender')
  if (sender) return { version: 2, sender, origin: '' }
  const source = new URL(request.url).searchParams.get('__amp_source_origin')
  return source
    ? { version: 1, sender: source, origin: request.headers.get('origin') ?? '' }
    : { version: null, sender: '', origin: '' }
}

const ADDRESS = /^[^\s@<>,"]{1,64}@[^\s@<>,"]{1,255}$/

/**
 * The headers that let a reader take the answer (AMP for Email, "CORS in AMP for Email": version 2 names the sender, version 1 the reader and the
 * sender).
 */
function corsOf({ version, sender, origin }: From): Record<string, string> {
  const mode = modeOf('answers')
  if (version === null || mode === 'headers') return {}
  const allowed = mode === 'other' ? 'somebody-else@another.example' : sender
  if (version === 2) return { 'AMP-Email-Allow-Sender': allowed }
  return {
    'Access-Control-Allow-Origin': origin,
    'AMP-Access-Control-Allow-Source-Origin': allowed,
    'Access-Control-Expose-Headers': 'AMP-Access-Control-Allow-Source-Origin',
  }
}

const said = (from: From, status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...corsOf(from) },
  })

/** What the stand-in is set to do in place of its work; null where it works. */
async function failing(from: From, request: Request): Promise<Response | null> {
  const mode = modeOf('answers')
  if (mode === 'slow') await new Promise((r) => setTimeout(r, 8000))
  if (mode === 'refuse') return said(from, 503, { error: 'The form is closed for maintenance.' })
  if (mode === 'expire') return said(from, 401, { error: 'The form has run out.' })
  if (mode === 'redirect') return Response.redirect(new URL('/standins/answers/elsewhere', request.url), 302)
  if (mode === 'mangle')
    return new Response('<html>OK</html>', { headers: { 'content-type': 'text/html', ...corsOf(from) } })
  return null
}

/** The fields of an answer, cleaned; a sentence where it is not taken. */
async function fieldsOf(request: Request): Promise<[string, string][] | string> {
  const type = request.headers.get('content-type') ?? ''
  if (!/^(?:multipart\/form-data|application\/x-www-form-urlencoded)\b/i.test(type))
    return `Answers come as a form, not as "${type.slice(0, 80)}".`
  const length = Number(request.headers.get('content-length') ?? 0)
  if (length > MOST_BYTES) return `An answer has at most ${MOST_BYTES / 1024} KB.`
  const bytes = await request.arrayBuffer()
  if (bytes.byteLength > MOST_BYTES) return `An answer has at most ${MOST_BYTES / 1024} KB.`
  let form: FormData
  try {
    form = await new Response(bytes, { headers: { 'content-type': type } }).formData()
  } catch {
    return 'This form cannot be read.'
  }
  const fields: [string, string][] = []
  for (const [name, value] of form) {
    if (typeof value !== 'string') return 'Files are not taken.'
    if (fields.length >= MOST_FIELDS) return `An answer has at most ${MOST_FIELDS} fields.`
    if (name === '__amp_source_origin') continue
    if (!/^[\w-]{1,60}$/.test(name)) return `A field may not be called "${name.slice(0, 40)}".`
    fields.push([name, value.replace(/[^\P{Cc}\n]/gu, '').slice(0, MOST_VALUE)])
  }
  return fields.length ? fields : 'The answer is empty.'
}

const FORM = /^[\w-]{1,60}$/

/** POST /standins/answers/:form: an answer, from a message or from a page. */
export async function postAnswer(request: Request, form: string): Promise<Response> {
  const from = fromOf(request)
  const stop = await failing(from, request)
  if (stop) return stop
  if (!FORM.test(form)) return said(from, 404, { error: 'There is no such form.' })
  if (from.version !== null && !ADDRESS.test(from.sender))
    return said({ ...from, version: null }, 403, { error: 'The sender is no address.' })
  const fields = await fieldsOf(request)
  if (typeof fields === 'string') return said(from, 400, { error: fields })
  const kept = keepAnswer({ form, sender: from.sender, fields }, request.headers.get('user-agent') ?? '')
  if (!kept) return said(from, 429, { error: 'This form has all the answers it takes.' })
  if (from.version === null) return page('Thank you', 'Your answer has arrived.')
  const results = counted(answersOf(form)).find((q) => fields.some(([name]) => name === q.name))
  return said(from, 200, { ok: true, results: results?.values ?? [] })
}

/** GET /standins/answers/lists/:name: a list that live tiles fetch. */
export async function getList(request: Request, name: string): Promise<Response> {
  const from = fromOf(request)
  const stop = await failing(from, request)
  if (stop) return stop
  const body = listOf(name)
  if (body === null) return said(from, 404, { error: 'There is no list of this name.' })
  return new Response(body, {
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...corsOf(from) },
  })
}

/**
 * GET /standins/answers/:form?name=value: what a link of the static version opens. It asks before it keeps anything, since programs that look at
 * links for their people open them too.
 */
export function askAnswer(request: Request, form: string): Response {
  if (!FORM.test(form)) return page('Not found', 'There is no such form.', 404)
  const given = [...new URL(request.url).searchParams].filter(([name]) => FORM.test(name)).slice(0, 10)
  const inputs = given
    .map(
      ([name, value]) =>
        `<p>${safe(value)}</p><input type="hidden" name="${safe(name)}" value="${safe(value)}">`,
    )
    .join('')
  return page(
    'Your answer',
    `<form method="post">${inputs || '<p><label>Your answer <input name="answer" required></label></p>'}<button>Send it</button></form>`,
  )
}

const safe = (s: string): string => s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`).slice(0, 6000)

const page = (title: string, body: string, status = 200): Response =>
  new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title><body style="font:17px/1.5 Georgia,serif;margin:3em auto;max-width:30em;padding:0 1em"><h1>${title}</h1>${body}</body></html>`,
    {
      status,
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'content-security-policy':
          "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'",
      },
    },
  )
