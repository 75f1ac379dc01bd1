import { z } from 'zod'
import {
  changeClientBody,
  changeJobBody,
  cropsBody,
  deckBody,
  iconBody,
  importBody,
  modeBody,
  newClientBody,
  newJobForm,
  pageBody,
  pushBody,
  saveCutsBody,
  saveEmailBody,
  shelfBody,
  testSendBody,
  versionBody,
} from './contracts'

interface Route {
  method: string
  path: string
  does: string
  body?: z.ZodType
  form?: string
  gives: string
  problems?: string
  long?: boolean
}

const client = '`{ id, name, house }`'
const job =
  '`{ id, name, client: { id, name }, width, due, archived, design: { id, type, width, height, bytes, name, scale, worded }, narrow, before, state, cutCount, toMend, toMind, emailRevision, createdAt, updatedAt }`; `state` is `design`, `cut`, `composing`, `ready` or `handed over`'
const picture = '`{ id, type, width, height, bytes }`; `id` is the SHA-256 of the bytes'

/** Every route, in the order of a job. */
const routes: Route[] = [
  {
    method: 'GET',
    path: '/api/clients',
    does: 'All clients.',
    gives: `\`{ clients: [${client.slice(1, -1)}] }\``,
  },
  {
    method: 'POST',
    path: '/api/clients',
    does: 'Adds a client, with a plain house style unless one is sent.',
    body: newClientBody,
    gives: `201, ${client}`,
  },
  { method: 'GET', path: '/api/clients/:client', does: 'One client.', gives: client, problems: '404' },
  {
    method: 'PATCH',
    path: '/api/clients/:client',
    does: 'Renames a client or sets its house style; every email that inherits from it follows.',
    body: changeClientBody,
    gives: `${client} and \`emails: { inherit, changed }\`: how many emails inherit from the house style, and how many of them look different now`,
    problems: '404, 422',
  },
  {
    method: 'GET',
    path: '/api/clients/:client/pictures',
    does: "A client's pictures, the latest first; `?search=` gives those whose name holds every word. `DELETE` with `?picture=` takes one off; emails keep it.",
    gives: '`{ pictures: [{ id, type, width, height, bytes, name, at, usedIn: [{ job, name }] }] }`',
    problems: '404',
  },
  {
    method: 'POST',
    path: '/api/clients/:client/pictures',
    does: "Puts a picture on a client's shelf: `multipart/form-data` with the file in `picture`, or JSON with the id of one that is kept, or the address of one (private networks are refused). The same bytes are kept once.",
    body: shelfBody,
    gives: '201, the picture as above',
    problems: '404, 413, 415, 422 address-refused, 502 address-unreachable',
  },
  {
    method: 'POST',
    path: '/api/pages',
    does: "Reads the looks off a client's page: pasted HTML and CSS or an address as JSON, or `multipart/form-data` with a saved page in `file` (HTML, or a ZIP with its style sheets). Saves nothing and runs nothing.",
    body: pageBody,
    gives:
      '`{ backgrounds, texts, links: [{ value, count }], buttons: [{ value: { background, color, radius, padX, padY, label }, count }], fonts: [{ value, count, safe }], logos: [{ src, alt, why }] }`',
    problems: '422 not-a-page, address-refused, 502 address-unreachable',
  },
  {
    method: 'POST',
    path: '/api/decks',
    does: 'Parts a copy deck into pieces: JSON with pasted text, or `multipart/form-data` with plain text, Markdown or DOCX in `file`. Saves nothing.',
    body: deckBody,
    gives: '`{ pieces: [{ text, kind, rich, link? }] }`; `kind` is `heading`, `words`, `list` or `link`',
    problems: '422 not-a-deck',
  },
  {
    method: 'POST',
    path: '/api/designs',
    does: "Opens a design's file (`multipart/form-data`, field `design`) and says what can be chosen in it. Starts no job.",
    gives:
      '`{ type, boards: [{ name, width, height, emailWidth, density, narrow }] }`; the last three are guesses',
    problems: '413, 415 not-a-design, design-locked',
  },
  {
    method: 'GET',
    path: '/api/reading/:file',
    does: 'Files of the text recognition, for the worker of the page.',
    gives: 'the file',
    problems: '404',
  },
  {
    method: 'GET',
    path: '/api/jobs',
    does: 'All jobs, the latest changed first; `?archived=true` gives the archived ones.',
    gives: `\`{ jobs: [job] }\`, a job being ${job}`,
  },
  {
    method: 'POST',
    path: '/api/jobs',
    does: 'Starts a job from a design. `multipart/form-data`: the file in `design` (PNG, JPEG, WebP, AVIF, SVG, PDF or a layered file; at most 60 megapixels and 60 MB, judged by its content), a narrow design of the same email in `narrow`, and these text fields; `board` and `narrowBoard` choose a page or artboard, counted from 0:',
    body: newJobForm,
    gives: '201, the job, and `notes`: what was left out or chosen',
    problems: '400 no-design, 404, 413 design-too-heavy and design-too-large, 415 not-a-design',
  },
  { method: 'GET', path: '/api/jobs/:job', does: 'One job.', gives: 'the job', problems: '404' },
  {
    method: 'PATCH',
    path: '/api/jobs/:job',
    does: 'Renames a job, sets its day or the width of its email (and so the density of its design), archives it or brings it back.',
    body: changeJobBody,
    gives: 'the job',
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/duplicate',
    does: 'Copies a job with its cuts and email.',
    gives: '201, the new job',
  },
  {
    method: 'PUT',
    path: '/api/jobs/:job/design',
    does: 'Replaces the design, or with `role` `narrow` sets the narrow one: `multipart/form-data` as when a job is started. Cuts whose place still fits stay, those that moved go along, and moved and changed ones are flagged. `DELETE` takes the narrow design away.',
    gives: '`{ job, plan, revision, kept, moved, changed, notes }`',
    problems: '413, 415',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/layers',
    does: "What the design's file knows beyond its pixels: words with their look, pictures and shapes.",
    gives: '`{ layers: { texts, shapes } }`, or null where it was a picture',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/plan',
    does: 'The cut plan as an open file (docs/formats.md): JSON; with `?as=svg` an image map over the design; with `?as=zip` both with all crops.',
    gives: 'the file',
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/plan',
    does: 'Makes all crops that the ZIP of the plan needs, telling of each.',
    gives: '`{ bytes }`',
    long: true,
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/autocut',
    does: 'Finds the bands of the design, their columns and parts, by its pixels and by what its file knows. Saves nothing.',
    gives:
      '`{ edges: [{ y, why }], panels, cuts, uncovered: [rect] }`; `why` is `ground`, `seam`, `rule` or `gutter`; each cut has `seen: { part, sure }`; `uncovered` is what no cut covers though something stands there',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/cuts',
    does: 'The cut plan.',
    gives: '`{ revision, plan }`; revision 0 and an empty plan where none was saved',
  },
  {
    method: 'PUT',
    path: '/api/jobs/:job/cuts',
    does: 'Saves the cut plan over the revision it started from. Cuts may neither overlap nor leave the design.',
    body: saveCutsBody,
    gives: '`{ revision, plan }`',
    problems: '409 stale-revision, 422 cuts-overlap, cut-outside, cut-ids',
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/crops',
    does: 'Encodes the picture cuts of the saved plan, or of one sent along: the lighter of palette PNG and JPEG at SSIM 0.98 or better, unless the cut asks otherwise. Remembered by content.',
    body: cropsBody,
    gives:
      '`{ crops: [{ cut, picture, likeness, plain }], bytes }`; `plain` is what the same pixels weigh as a plain PNG',
    long: true,
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/build',
    does: 'Builds the email from the cut plan. Built again, it keeps words, alt texts, links and everything added by hand.',
    gives: '`{ email, revision, plan, cutsRevision, notes }`',
    problems: '409 no-cuts, stale-revision',
    long: true,
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/email',
    does: 'The email document (schema: docs/email.schema.json).',
    gives: '`{ revision, email, savedAt }`',
    problems: '409 no-email',
  },
  {
    method: 'PUT',
    path: '/api/jobs/:job/email',
    does: 'Saves the email over the revision it started from (0 for the first).',
    body: saveEmailBody,
    gives: '`{ revision, savedAt }`',
    problems: '409 stale-revision (with the current `revision`), 422',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/versions',
    does: 'Emails of the job that were kept, the latest first.',
    gives: '`{ versions: [{ id, name, revision, at }] }`',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/versions/:version',
    does: 'One kept email, in the present form of the document.',
    gives: '`{ id, name, revision, at, email }`',
    problems: '404',
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/versions',
    does: 'Keeps the saved email under a name.',
    body: versionBody,
    gives: '201, `{ id, name, revision, at }`',
    problems: '409 no-email',
  },
  {
    method: 'POST',
    path: '/api/import',
    does: 'Reads an email made elsewhere: `multipart/form-data` with the file in `file` (HTML, a ZIP with HTML and pictures, or a message, told by its content; at most 40 MB), or JSON with the source. Saves nothing but the pictures it brings.',
    body: importBody,
    gives:
      '`{ hand: { html, pictures, inline }, bands: { bands, width, lang, dir, title, preheader, notes }, subject, text, notes }`: the source as it is, and what its tables could be read as',
    problems: '413, 422 not-an-email',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/html',
    does: 'The compiled HTML, under a Content-Security-Policy that lets no script run. Fields stand as written; `?fields=sample` fills them with their fallbacks; `?styles=inline` leaves every style sheet out, `?styles=head` puts all styles into one; `?print=minified` leaves out what only people need.',
    gives: '`text/html`',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/text',
    does: 'The plain-text part; `?links=numbered` lists the links at its end.',
    gives: '`text/plain`',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/findings',
    does: 'What the checks find.',
    gives:
      '`{ revision, bytes, limit, findings: [{ id, check, weight, stage, what, why, where: { band?, tile?, value? }, fix?: { label, edit } }] }`; `weight` is `mend` or `mind`',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/zip',
    does: 'The email as files: see docs/formats.md.',
    gives: '`application/zip`',
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/eml',
    does: 'The email as a message (RFC 5322): text and HTML as alternatives, pictures by Content-ID, fields at their fallbacks.',
    gives: '`message/rfc822`',
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/test-send',
    does: 'Sends the message by SMTP to the inbox stand-in.',
    body: testSendBody,
    gives: '`{ messageId, bytes, revision }`',
    problems: '409 no-subject, 502 send-failed',
  },
  {
    method: 'POST',
    path: '/api/jobs/:job/push',
    does: 'Pushes pictures and template to the sending-platform stand-in.',
    body: pushBody,
    gives: '`{ id, address, pictures, revision }`',
    problems:
      '409 no-subject, 502 platform-token, platform-no-unsubscribe, platform-closed, platform-slow, platform-unreachable, platform-mangled',
    long: true,
  },
  {
    method: 'GET',
    path: '/api/jobs/:job/deliveries',
    does: 'What was handed over, the latest first.',
    gives: '`{ deliveries: [{ id, destination, ok, summary, detail, revision, at }] }`',
  },
  {
    method: 'POST',
    path: '/api/pictures',
    does: 'Takes in a picture for an email. `multipart/form-data` with the file in `picture`: PNG, JPEG or GIF, at most 25 megapixels and 10 MB.',
    gives: `201, ${picture}`,
    problems: '413, 415',
  },
  {
    method: 'POST',
    path: '/api/icons',
    does: 'Draws a shipped icon as PNG.',
    body: iconBody,
    gives: `201, ${picture}`,
    problems: '404',
  },
  {
    method: 'GET',
    path: '/api/pictures/:picture',
    does: 'A picture; `?width=` gives a smaller WebP.',
    gives: 'the bytes',
    problems: '404',
  },
  {
    method: 'GET',
    path: '/api/standins/:standin/mode',
    does: 'How a stand-in (`inbox` or `platform`) behaves.',
    gives: '`{ mode }`',
  },
  {
    method: 'PUT',
    path: '/api/standins/:standin/mode',
    does: 'Makes a stand-in work, answer late, refuse, say its token has run out, or garble.',
    body: modeBody,
    gives: '`{ mode }`',
  },
  {
    method: 'GET',
    path: '/api/standins/inbox/messages',
    does: 'What arrived in the inbox; `DELETE` empties it, and `/:message` gives one whole.',
    gives: '`{ messages: [{ id, at, from, to, subject, bytes }] }`',
  },
  {
    method: 'GET',
    path: '/api/standins/platform/templates',
    does: 'What arrived at the platform.',
    gives: '`{ templates: [{ id, name, subject, preheader, html, text, at }] }`',
  },
]

/** The JSON Schema of what a route takes, with the large documents named instead of spelled out. */
function schemaOf(body: z.ZodType): string {
  const schema = z.toJSONSchema(body, { io: 'input', unrepresentable: 'any' }) as {
    properties?: Record<string, { properties?: object }>
    required?: string[]
  }
  const short = Object.fromEntries(
    Object.entries(schema.properties ?? {}).map(([name, p]) => [
      name,
      ['email', 'plan', 'house'].includes(name)
        ? {
            $ref:
              name === 'email'
                ? 'email.schema.json'
                : `the ${name === 'plan' ? 'cut plan, docs/cuts.schema.json' : 'house style, docs/house.schema.json'}`,
          }
        : p,
    ]),
  )
  return JSON.stringify({ properties: short, required: schema.required ?? [] }, null, 2)
}

/** The text of docs/api.md. */
export function apiDocs(): string {
  const parts = routes.map((r) =>
    [
      `### ${r.method} ${r.path}`,
      '',
      r.does,
      '',
      ...(r.body ? ['```json', schemaOf(r.body), '```', ''] : []),
      `Gives ${r.gives}.${r.problems ? ` Problems: ${r.problems}.` : ''}${r.long ? ' Long work: see above.' : ''}`,
      '',
    ].join('\n'),
  )
  return `# The routes

Everything the interface does to data goes through these routes, so the app can be scripted. They speak JSON and listen on 127.0.0.1 only. This page is
written from the same schemas that check the requests (\`npm run api-docs\`).

- **Errors** are \`application/problem+json\` (RFC 9457): \`type\` (its last part names the kind), \`title\` (what), \`detail\` (why, and what to do), \`status\`, and now and then more. What is
  not as described gives 422 with \`issues: [{ at, message }]\`; what is no JSON gives 400.
- **Revisions**: saving names the revision it started from. If another tab or script saved meanwhile, the answer is 409 with the current \`revision\`, and nothing is overwritten.
- **Long work**: with \`Accept: application/x-ndjson\` the answer is a line of JSON for each step, \`{ "progress": … }\`, and a last line \`{ "result": … }\` or \`{ "problem": … }\`. Closing the connection cancels
  the work. Without that header the answer is the result alone.
- **Other sites** may not change anything: a request with a foreign \`Origin\` gets 403.

${parts.join('\n')}`
}
