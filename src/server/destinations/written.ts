import { compileJob, type CompiledJob } from '../jobs/proof'
import type { CompileOptions } from '@/core/compile'
import { replaceFields, type Field, type FieldWriter } from '@/core/text/fields'
import type { ConditionWriter } from '@/core/email/conditions'
import type { Destination, Sent } from './destination'

/** What a destination's own writing looks like. */
type Writing = Pick<Destination<never, Sent>, 'fields' | 'conditions' | 'escape'>

// Private use characters (Unicode, section 23.5) hold the places of fields and conditions while the words around them are escaped.
const OPEN = '\ue000',
  PART = '\ue001',
  CLOSE = '\ue002'
const held = new RegExp(`${OPEN}([^${OPEN}${PART}]*)${PART}([^${OPEN}${CLOSE}]*)${CLOSE}`, 'g')

const holdField: FieldWriter = ({ name, fallback }) => `${OPEN}${name}${PART}${fallback}${CLOSE}`

/** An email's subject, preheader, HTML and text in the writing of a destination. */
export interface Written extends CompiledJob {
  subject: string
  preheader: string
}

/** Compiles a job's email for a destination. @param src where its pictures stand there */
export function writtenFor(d: Writing, jobId: string, src?: CompileOptions['src']): Written {
  if (!d.escape) {
    const job = compileJob(jobId, { src, fields: d.fields, conditions: d.conditions })
    const said = (words: string) => replaceFields(words, d.fields)
    return { ...job, subject: said(job.email.subject), preheader: said(job.email.preheader) }
  }
  const { html: escapeHtml, text: escapeText } = d.escape
  const job = compileJob(jobId, { src, fields: holdField, conditions: holdConditions(d.conditions) })
  const put = (text: string, escape: (outside: string) => string) => {
    let out = ''
    let from = 0
    for (const m of text.matchAll(held)) {
      const [whole, name, rest] = m as unknown as [string, string, string]
      // Behind an empty name stands a mark of a condition.
      const own = name ? d.fields({ name, fallback: rest } satisfies Field) : rest
      out += escape(text.slice(from, m.index)) + own
      from = m.index + whole.length
    }
    return out + escape(text.slice(from))
  }
  const said = (words: string) => put(replaceFields(words, holdField), escapeText)
  return {
    ...job,
    html: put(job.html, escapeHtml),
    text: put(job.text, escapeText),
    subject: said(job.email.subject),
    preheader: said(job.email.preheader),
  }
}

/** Marks of conditions are held as they are, behind an empty name. */
const holdConditions =
  (write: ConditionWriter): ConditionWriter =>
  (condition) => {
    const marks = write(condition)
    const hold = (mark: string) => `${OPEN}${PART}${mark}${CLOSE}`
    return typeof marks === 'boolean' ? marks : { before: hold(marks.before), after: hold(marks.after) }
  }
