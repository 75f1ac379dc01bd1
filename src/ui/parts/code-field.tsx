'use client'
import { css } from '@codemirror/lang-css'
import { html } from '@codemirror/lang-html'
import CodeMirror, { EditorView } from '@uiw/react-codemirror'
import { useSlate } from './theme'

const languages = { html: html(), css: css() }

/** A field for code. It is loaded only where it is used, since the editor is large. */
export default function CodeField({
  label,
  language,
  value,
  onChange,
  height,
  bare,
}: {
  /** Without its label on screen. */ bare?: boolean
  label: string
  language: 'html' | 'css'
  value: string
  onChange: (v: string) => void
  height: string
}) {
  const slate = useSlate()
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
        extensions={[
          languages[language],
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': label }),
        ]}
        onChange={onChange}
        basicSetup={{ foldGutter: false, highlightActiveLine: false, highlightActiveLineGutter: false }}
      />
    </div>
  )
}
