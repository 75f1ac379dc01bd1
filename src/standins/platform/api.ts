import { z } from 'zod'
import { modeOf } from '../db'
import { keepPicture, keepTemplate, templateOf, TOKEN } from './store'

/**
 * The stand-in's own HTTP interface, as an outside service would have it: its own errors, its own field
 * syntax.
 */
const refuse = (status: number, error: string, message: string) =>
  Response.json({ error, message }, { status })

/** Takes the mode the stand-in is set to, and the token, into account; null where the call may go on. */
async function guard(request: Request): Promise<Response | null> {
  const mode = modeOf('platform')
  if (mode === 'slow') await new Promise((r) => setTimeout(r, 20_000))
  if (mode === 'refuse') return refuse(503, 'closed', 'The platform is closed for maintenance.')
  if (mode === 'expire') return refuse(401, 'token', 'The token has run out.')
  if (mode === 'mangle') return new Response('<html>OK</html>', { status: 200 })
  if (request.headers.get('authorization') !== `Bearer ${TOKEN}`)
    return refuse(401, 'token', 'The token is not known.')
  return null
}

const pictureTypes = ['image/png', 'image/jpeg', 'image/gif']
const MOST_PICTURE = 10 * 1024 * 1024

/** POST pictures?name=: the bytes as body, their type as Content-Type. Answers with the picture's address. */
export async function postPicture(request: Request, origin: string): Promise<Response> {
  const stop = await guard(request)
  if (stop) return stop
  const type = request.headers.get('content-type') ?? ''
  if (!pictureTypes.includes(type))
    return refuse(415, 'picture-type', `Pictures come as PNG, JPEG or GIF, not "${type}".`)
  const bytes = Buffer.from(await request.arrayBuffer())
  if (!bytes.length || bytes.length > MOST_PICTURE)
    return refuse(413, 'picture-size', `A picture has 1 byte to 10 MB; this one has ${bytes.length} bytes.`)
  const id = keepPicture(new URL(request.url).searchParams.get('name') ?? 'picture', type, bytes)
  return Response.json({ address: `${origin}/standins/platform/v1/pictures/${id}` }, { status: 201 })
}

/** Addresses of pictures that were put here, whatever the app was called by when they were. */
const OWN = /https?:\/\/[\w.:[\]-]{1,253}(?=\/standins\/platform\/v1\/pictures\/)/g

/** A template's HTML with its own pictures where they lie, so that a page shows them: they are not from elsewhere. */
export const withOwnPictures = (html: string): string => html.replace(OWN, '')

const templateSchema = z.object({
  name: z.string().min(1),
  subject: z.string().min(1),
  preheader: z.string(),
  html: z.string().min(1),
  text: z.string(),
  /** Its interactive part, of the standard's own root element (AMP for Email, "Required markup"); left out or empty where there is none. */
  amp: z
    .string()
    .max(200_000)
    .refine((amp) => !amp || /^<!doctype html>\s*<html\s[^>]*4email/i.test(amp), 'is no AMP for Email')
    .default(''),
})

/**
 * POST templates: JSON of name, subject, preheader, html, text and, where there is one, amp. Refuses one without the field for leaving,
 * `{:leave_link:}`.
 */
export async function postTemplate(request: Request, origin: string): Promise<Response> {
  const stop = await guard(request)
  if (stop) return stop
  const read = templateSchema.safeParse(await request.json().catch(() => null))
  if (!read.success)
    return refuse(
      422,
      'template',
      `The template is not whole: ${read.error.issues.map((i) => `${i.path.join('.') || 'body'} ${i.message}`).join('; ')}.`,
    )
  if (!read.data.html.includes('{:leave_link:}'))
    return refuse(
      422,
      'no-unsubscribe',
      'The template has no {:leave_link:}, so its readers could not unsubscribe. Link some words to the unsubscribe field.',
    )
  const id = keepTemplate(read.data, request.headers.get('idempotency-key'))
  return Response.json({ id, address: `${origin}/standins/platform?template=${id}` }, { status: 201 })
}

/** GET templates/:id: the template as it is kept. */
export async function getTemplate(request: Request, id: string): Promise<Response> {
  const stop = await guard(request)
  if (stop) return stop
  const template = templateOf(id)
  return template ? Response.json(template) : refuse(404, 'template', 'There is no template of this id.')
}
