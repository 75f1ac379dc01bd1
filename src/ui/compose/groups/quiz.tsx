'use client'
import { useState } from 'react'
import type { QuizTile } from '@/core/tiles/quiz/schema'
import { Group, NumberField, Row, TextRow } from '../../parts/controls'
import { AccentRow, PartsGroup, StateRow } from './interactive'
import { Dropdown, LinkRow, type TileProps } from './parts'

type Question = QuizTile['questions'][number]
type Result = QuizTile['results'][number]

export function QuizGroups({ tile, style, band, state, onState, set }: TileProps<'quiz'>) {
  const [open, setOpen] = useState(0)
  const at = Math.min(open, tile.questions.length - 1)
  const question = tile.questions[at]!
  const put = (patch: Partial<Question>, merge?: string) =>
    set(
      'write the question',
      { questions: tile.questions.map((q, i) => (i === at ? { ...q, ...patch } : q)) },
      merge && `question${at}-${merge}`,
    )
  return (
    <>
      <PartsGroup<Question>
        title="Questions"
        parts={tile.questions}
        open={at}
        nameOf={(q, i) => `${i + 1} ${q.ask}`}
        make={() => ({ ask: 'Another?', options: ['This', 'That'], right: 0, why: '' })}
        most={8}
        onOpen={setOpen}
        onChange={(label, questions) => set(label, { questions })}
      >
        <StateRow tile={tile} state={state} onState={onState} />
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </PartsGroup>
      <Group title={`Question ${at + 1}`}>
        <TextRow plain label="Asks" value={question.ask} onChange={(ask) => put({ ask }, 'ask')} />
        <TextRow
          plain
          label="Choices"
          lines={3}
          value={question.options.join('\n')}
          onChange={(v) => {
            const options = v.split('\n').slice(0, 6)
            if (options.length >= 2)
              put({ options, right: Math.min(question.right, options.length - 1) }, 'options')
          }}
        />
        <Row label="Right is">
          <Dropdown
            label="Which is right"
            value={String(question.right)}
            options={question.options.map((o, i) => ({ value: String(i), label: o || String(i + 1) }))}
            onChange={(v) => put({ right: Number(v) })}
          />
        </Row>
        <TextRow plain label="Why" lines={2} value={question.why} onChange={(why) => put({ why }, 'why')} />
      </Group>
      <ResultGroup
        results={tile.results}
        onChange={(label, results, merge) => set(label, { results }, merge)}
      />
      <Group title="After it">
        <TextRow
          plain
          label="Button"
          value={tile.label}
          onChange={(label) => set('write the button', { label }, 'label')}
        />
        <LinkRow value={tile.link} onChange={(link) => set('set the link', { link }, 'link')} />
      </Group>
    </>
  )
}

/** What is said from how many right answers on. */
function ResultGroup({
  results,
  onChange,
}: {
  results: readonly Result[]
  onChange: (label: string, results: Result[], merge?: string) => void
}) {
  const [open, setOpen] = useState(0)
  const at = Math.min(open, results.length - 1)
  const result = results[at]!
  const put = (patch: Partial<Result>, merge: string) =>
    onChange(
      'write the result',
      results.map((r, i) => (i === at ? { ...r, ...patch } : r)),
      `result${at}-${merge}`,
    )
  return (
    <PartsGroup<Result>
      title="Results"
      parts={results}
      open={at}
      nameOf={(r) => `from ${r.from}`}
      make={() => ({ from: results.length, title: 'Well done', text: '' })}
      most={9}
      onOpen={setOpen}
      onChange={onChange}
    >
      <Row label="From">
        <NumberField
          label="From how many right answers on"
          value={result.from}
          max={8}
          onChange={(from) => put({ from }, 'from')}
        />
      </Row>
      <TextRow plain label="Title" value={result.title} onChange={(title) => put({ title }, 'title')} />
      <TextRow plain label="Words" lines={2} value={result.text} onChange={(text) => put({ text }, 'text')} />
    </PartsGroup>
  )
}
