import { useEffect, useState } from 'react'
import type { AnswerOf } from '@/contract/route'
import type { Routes } from '@/contract'
import { call } from '../api'
import { toast } from '../parts/toast'
import type { CutWork } from './work/use-cut-work'

type Languages = AnswerOf<Routes['GET /api/reading']>['languages']

/** The language that the words of the design are read in: as they look, or a chosen one, which is brought where it is not at hand. */
export function Language({ w }: { w: CutWork }) {
  const [languages, setLanguages] = useState<Languages>([])
  const [coming, setComing] = useState<string | null>(null)
  useEffect(() => {
    call('GET /api/reading', {}).then(
      (r) => setLanguages(r.languages),
      () => {},
    )
  }, [])
  const { language } = w.plan
  const told = language?.by === 'words' && languages.find((l) => l.code === language.code)

  async function choose(code: string) {
    const wanted = languages.find((l) => l.code === code)
    if (wanted && !wanted.here) {
      setComing(wanted.name)
      try {
        setLanguages((await call('POST /api/reading', { body: { language: code } })).languages)
        toast(`${wanted.name} can be read now.`)
      } catch (e) {
        toast.error(`${wanted.name} could not be brought`, { description: (e as Error).message })
        return
      } finally {
        setComing(null)
      }
    }
    w.session.change('choose the language of the words', (p) => ({
      ...p,
      language: code ? { code, by: 'hand' as const } : undefined,
    }))
  }

  return (
    <select
      aria-label="Language of the words"
      title="The language that words are read in"
      value={language?.by === 'hand' ? language.code : ''}
      disabled={!!w.work || coming !== null}
      className="max-w-36 border border-grout bg-sheet px-1 py-0.5 text-xs text-ink"
      onChange={(e) => void choose(e.target.value)}
    >
      <option value="">
        {coming ? `Bringing ${coming}` : told ? `Looks ${told.name}` : 'As the words look'}
      </option>
      {languages.map((l) => (
        <option key={l.code} value={l.code}>
          {l.here ? l.name : `${l.name} (bring it)`}
        </option>
      ))}
    </select>
  )
}
