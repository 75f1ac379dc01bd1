'use client'
import { css } from '@codemirror/lang-css'
import { html } from '@codemirror/lang-html'
import { lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint'
import CodeMirror, { EditorView } from '@uiw/react-codemirror'
import { useEffect, useRef } from 'react'
import { useSlate } from './theme'

const languages = { html: html(), css: css() }

/** What is said of a line. */
export interface Note {
  line: number
  col: number
  severity: 'ERROR' | 'WARNING'
  /** In plain words. */
  why: string
  message: string
}

/** Notes where their lines stand. */
const placed = ({ state }: EditorView, notes: readonly Note[]): Diagnostic[] =>
  notes.map((n) => {
    const line = state.doc.line(Math.max(1, Math.min(n.line, state.doc.lines)))
    return {
      from: Math.min(line.from + n.col, line.to),
      to: line.to,
      severity: n.severity === 'ERROR' ? 'error' : 'warning',
      message: `${n.why}\n${n.message}`,
    }
  })

/** A field for code. It is loaded only where it is used, since the editor is large. */
export default function CodeField({
  label,
  language,
  value,
  onChange,
  height,
  bare,
  notes,
  goTo,
}: {
  /** Without its label on screen. */ bare?: boolean
  label: string
  language: 'html' | 'css'
  value: string
  onChange: (v: string) => void
  height: string
  /** What is said of its lines (counted from 1). */
  notes?: readonly Note[]
  /** A line to go to; a new object goes there anew. */
  goTo?: { line: number } | null
}) {
  const slate = useSlate()
  const view = useRef<EditorView | null>(null)
  useEffect(() => {
    if (view.current && notes)
      view.current.dispatch(setDiagnostics(view.current.state, placed(view.current, notes)))
  }, [notes, value])
  useEffect(() => {
    const at = view.current
    if (!at || !goTo) return
    const { from } = at.state.doc.line(Math.max(1, Math.min(goTo.line, at.state.doc.lines)))
    at.dispatch({ selection: { anchor: from }, effects: EditorView.scrollIntoView(from, { y: 'center' }) })
    at.focus()
  }, [goTo])
  return (
    <div>
      {!bare && (
        <p aria-hidden className="mb-1 text-xs text-soft">
          {label}
        </p>
      )}
      <CodeMirror
        value={value}
        height={height}
        theme={slate ? 'dark' : 'light'}
        className="border border-grout text-[12px]"
        onCreateEditor={(made) => {
          view.current = made
        }}
        extensions={[
          languages[language],
          ...(notes ? [lintGutter()] : []),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': label }),
        ]}
        onChange={onChange}
        basicSetup={{ foldGutter: false, highlightActiveLine: false, highlightActiveLineGutter: false }}
      />
    </div>
  )
}
