import { z } from 'zod'
import { count, time } from './parts'
import { routesOf } from './route'

const given = z.object({
  id: z.string(),
  at: time,
  sender: z.string().describe('whose message it came from; empty for a page'),
  fields: z.array(z.tuple([z.string(), z.string()])),
})
const counted = z.object({
  name: z.string(),
  values: z.array(z.object({ label: z.string(), count, percent: z.number() })),
})

const mark = z.enum(['y', 'a', 'n', 'u']).describe('supported, in part, not, unknown')

export const interactRoutes = routesOf({
  'GET /api/readers/interactive': {
    does: 'What the major readers make of what interactive tiles need, by the open data set.',
    gives: z.object({
      at: z.string(),
      readers: z.array(
        z.object({ name: z.string(), amp: mark, checked: mark, inputs: mark, hover: mark, form: mark }),
      ),
    }),
  },
  'POST /api/amp/check': {
    does: 'What the official validator of AMP for Email says of a text, each message in plain words too, with the name of what mends it.',
    body: z.object({ html: z.string().max(400_000) }),
    gives: z.object({
      pass: z.boolean(),
      messages: z.array(
        z.object({
          severity: z.enum(['ERROR', 'WARNING']),
          line: z.number().describe('counted from 1'),
          col: z.number(),
          message: z.string(),
          code: z.string(),
          why: z.string(),
          mend: z.string().nullable(),
          of: z.string().optional().describe('the attribute or element that the mend is of'),
        }),
      ),
    }),
  },
  'POST /api/code/lint': {
    does: 'What is wrong with code that a person wrote (html-validate, as email has it), and what major readers do not know of it, line by line.',
    body: z.object({ html: z.string().max(200_000), css: z.string().max(100_000) }),
    gives: z.object({
      notes: z.array(
        z.object({
          of: z.enum(['html', 'css']),
          line: z.number(),
          col: z.number(),
          severity: z.enum(['ERROR', 'WARNING']),
          why: z.string(),
          message: z.string(),
        }),
      ),
    }),
  },
  'POST /api/interact/ask': {
    does: 'Asks an address as a reader does that shows an AMP email: with its headers, refusing what readers refuse. Answers are sent to the stand-in alone.',
    body: z.object({
      url: z.string().max(4000),
      method: z.enum(['GET', 'POST']),
      fields: z.array(z.tuple([z.string().max(100), z.string().max(5000)])).max(80),
      sender: z.string().max(300),
      version: z.union([z.literal(1), z.literal(2)]),
    }),
    gives: z.object({
      status: z.number(),
      refused: z
        .array(z.string())
        .describe('why a reader takes no notice of the answer; empty where it does'),
      headers: z.record(z.string(), z.string()),
      body: z.string(),
    }),
    problems: '502 unreachable',
  },
  'GET /api/answers': {
    does: 'The forms that were answered at the stand-in.',
    gives: z.object({ forms: z.array(z.object({ form: z.string(), count, last: time })) }),
  },
  'GET /api/answers/:form': {
    does: 'The answers of a form, the latest first (at most 500), and how often each value was given.',
    gives: z.object({ total: count, answers: z.array(given), counted: z.array(counted) }),
  },
  'DELETE /api/answers/:form': {
    does: 'Takes all answers of a form away.',
    gives: z.object({ total: count }),
  },
  'GET /api/answers/:form/export': {
    does: 'The answers of a form as a file: CSV (RFC 4180) or JSON.',
    query: z.object({ as: z.enum(['csv', 'json']) }),
    gives: 'text/csv or application/json',
  },
  'PUT /api/lists/:name': {
    does: 'Keeps a list that live tiles fetch from the stand-in, as JSON.',
    body: z.object({ list: z.json() }),
    gives: z.object({ address: z.string() }),
    problems: '422',
  },
  'PUT /api/standins/inbox/dynamic': {
    does: 'Switches dynamic mail of a sender on or off at the inbox stand-in.',
    body: z.object({ sender: z.string().min(3).max(300), on: z.boolean() }),
    gives: z.object({ sender: z.string(), on: z.boolean() }),
  },
})
