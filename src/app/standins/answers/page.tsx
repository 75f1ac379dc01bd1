import { one, type Said } from '@/server/api/said-once'
import Link from 'next/link'
import { counted } from '@/core/interact/answers'
import { modeOf } from '@/standins/db'
import { answersOf, formsAnswered } from '@/standins/answers/store'
import { StandinPage } from '@/ui/standins/page'

export const dynamic = 'force-dynamic'
export const metadata = { title: 'Answers stand-in - Mosaicus' }

/** Most answers that are shown at once. */
const SHOWN = 200

export default async function AnswersPage({ searchParams }: { searchParams: Promise<{ form?: Said }> }) {
  const forms = formsAnswered()
  const form = one((await searchParams).form) ?? forms[0]?.form
  const answers = form ? answersOf(form) : []
  return (
    <StandinPage
      standin="answers"
      title="Answers stand-in"
      about="Takes what forms of emails send, with the headers that readers want"
      mode={modeOf('answers')}
      list={
        <ul>
          {forms.map((f) => (
            <li
              key={f.form}
              className={`border-b border-l-4 border-b-grout ${f.form === form ? 'border-l-lapis bg-paper' : 'border-l-transparent'}`}
            >
              <Link
                href={`/standins/answers?form=${encodeURIComponent(f.form)}`}
                aria-current={f.form === form || undefined}
                className="block px-3 py-2"
              >
                <b className="block truncate font-semibold">{f.form}</b>
                <span className="font-mono text-[10.5px] text-soft">
                  {f.count} {f.count === 1 ? 'answer' : 'answers'}, last{' '}
                  {new Date(f.last).toLocaleString('en-GB')}
                </span>
              </Link>
            </li>
          ))}
          {!forms.length && (
            <li className="p-3 text-soft">
              Nothing was answered yet. Send a rating or a poll in a job&apos;s Interact.
            </li>
          )}
        </ul>
      }
    >
      {form ? <FormAnswers form={form} answers={answers} /> : null}
    </StandinPage>
  )
}

function FormAnswers({ form, answers }: { form: string; answers: ReturnType<typeof answersOf> }) {
  const file = (as: string) => `/api/answers/${encodeURIComponent(form)}/export?as=${as}`
  return (
    <div className="min-h-0 flex-1 overflow-y-auto bg-[#fffdf8] p-4 text-[12.5px] text-[#20272b]">
      <p className="flex gap-3">
        <a className="underline" href={file('csv')}>
          CSV
        </a>
        <a className="underline" href={file('json')}>
          JSON
        </a>
      </p>
      {counted(answers).map((q) => (
        <p key={q.name} className="mt-2">
          <b className="font-semibold">{q.name}:</b>{' '}
          {q.values.map((v) => `${v.label} ${v.count} (${v.percent} %)`).join(', ')}
        </p>
      ))}
      <table className="mt-3 w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-[#cfc5b2]">
            <th className="py-1 pr-3">When</th>
            <th className="py-1 pr-3">Sender</th>
            <th className="py-1">Said</th>
          </tr>
        </thead>
        <tbody>
          {answers.slice(0, SHOWN).map((a) => (
            <tr key={a.id} className="border-b border-[#e7dfd0] align-top">
              <td className="py-1 pr-3 font-mono text-[11px]">{new Date(a.at).toLocaleString('en-GB')}</td>
              <td className="py-1 pr-3">{a.sender || 'from the page'}</td>
              <td className="py-1">{a.fields.map(([name, value]) => `${name}: ${value}`).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
