'use client'
import CodeMirror, {
  EditorView,
  Decoration,
  StateEffect,
  StateField,
  type DecorationSet,
} from '@uiw/react-codemirror'
import { html as htmlLanguage } from '@codemirror/lang-html'
import { useDeferredValue, useEffect, useMemo, useRef } from 'react'
import { compileMapped } from '@/core/compile'
import { type EmailWork } from '../../bench/email-work'
import { src } from '../../bench/src'
import { LensFrame } from '../../bench/lens'
import { useSlate } from '../../parts/theme'

/** The compiled HTML, for people to read; what is selected is marked in it, and a line that is pressed selects its tile. */
export default function SourceLens({ work }: { work: EmailWork }) {
  const slate = useSlate()
  const email = useDeferredValue(work.email)
  const { house } = work.job.client
  const compiled = useMemo(() => compileMapped(email, house, { src }), [email, house])
  const places = useMemo(() => compiled.places(), [compiled])
  const selected = work.selection.tile?.id ?? work.selection.cell?.id ?? work.selection.band?.id
  const at = places.find((p) => p.id === selected)
  const view = useRef<EditorView | null>(null)
  const pressed = useRef<string | null>(null)
  const show = (v: EditorView) => {
    v.dispatch({ effects: setMarked.of(at ? [at.from, at.to] : null) })
    if (!at || pressed.current === selected || at.from > v.state.doc.lines) return
    v.dispatch({
      effects: EditorView.scrollIntoView(v.state.doc.line(at.from).from, { y: 'start', yMargin: 40 }),
    })
  }
  useEffect(() => {
    if (view.current) show(view.current)
    pressed.current = null
    // The text is there before its marks are moved.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at?.from, at?.to, compiled])
  const press = (v: EditorView) => {
    const line = v.state.doc.lineAt(v.state.selection.main.head).number
    // The last one that holds the line is the innermost.
    const id = places.findLast((p) => p.from <= line && line <= p.to)?.id ?? null
    pressed.current = id
    work.select(id, 'Source')
  }
  const onPress = useRef(press)
  onPress.current = press
  const extensions = useMemo(
    () => [
      htmlLanguage(),
      marked,
      EditorView.contentAttributes.of({ 'aria-label': 'Compiled HTML' }),
      EditorView.domEventHandlers({ mouseup: (_, v) => onPress.current(v) }),
    ],
    [],
  )
  return (
    <LensFrame name="Source" detail={`${places.length ? compiled.html.split('\n').length : 0} lines`}>
      <CodeMirror
        value={compiled.html}
        readOnly
        theme={slate ? 'dark' : 'light'}
        className="min-h-0 flex-1 overflow-hidden bg-sheet text-[11.5px]"
        height="100%"
        extensions={extensions}
        onCreateEditor={(v) => {
          view.current = v
          show(v)
        }}
        basicSetup={{ foldGutter: false, highlightActiveLine: false, highlightActiveLineGutter: false }}
      />
    </LensFrame>
  )
}

const setMarked = StateEffect.define<[number, number] | null>()
const line = Decoration.line({
  attributes: { style: 'background: color-mix(in srgb, #21508f 20%, transparent)' },
})

/** The lines of what is selected. */
const marked = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(now, tr) {
    let next = now.map(tr.changes)
    for (const e of tr.effects)
      if (e.is(setMarked)) {
        const [from, to] = e.value ?? [1, 0]
        const lines = Array.from({ length: Math.min(to, tr.state.doc.lines) - from + 1 }, (_, i) => from + i)
        next = Decoration.set(lines.map((n) => line.range(tr.state.doc.line(n).from)))
      }
    return next
  },
  provide: (f) => EditorView.decorations.from(f),
})
