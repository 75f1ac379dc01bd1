import type { Editor } from '@tiptap/react'
import type { EditorView } from '@tiptap/pm/view'
import { toast } from '../parts/toast'

/**
 * Text from the clipboard, without its look; line ends that come from the width of the design's box are
 * joined, blank lines part paragraphs.
 */
export function joinLines(pasted: string): string[] {
  return pasted
    .replace(/\r\n?/g, '\n')
    .split(/\n\s*\n/)
    .map((p) =>
      p
        .split('\n')
        .map((l) => l.trim())
        .filter(Boolean)
        .join(' '),
    )
    .filter(Boolean)
}

/** Whether a markup says more than its words. */
const says = (html: string): boolean =>
  /<(?:b|strong|i|em|u|a|ul|ol|h[1-6]|sup|sub|blockquote)\b|font-weight|font-style|mso-list/i.test(html)

/**
 * Puts what is pasted in as plain words, paragraph by paragraph; where it was more than that, one press puts its links,
 * lists and emphasis in. @returns whether there was any
 */
export function pastePlain(view: EditorView, event: ClipboardEvent, editor: () => Editor | null): boolean {
  const plain = event.clipboardData?.getData('text/plain')
  if (!plain) return false
  const html = event.clipboardData?.getData('text/html') ?? ''
  const { from } = view.state.selection
  const parts = joinLines(plain)
  const { schema, tr } = view.state
  if (parts.length <= 1) view.dispatch(tr.insertText(parts[0] ?? ''))
  else
    parts.forEach((p, i) => {
      if (i) view.dispatch(view.state.tr.split(view.state.selection.from))
      view.dispatch(view.state.tr.replaceSelectionWith(schema.text(p), true))
    })
  if (says(html)) offerRich(html, { from, to: view.state.selection.from }, view, editor)
  return true
}

/** Offers to put the rich words where the plain ones were put, as long as nothing else was written. */
function offerRich(
  html: string,
  at: { from: number; to: number },
  view: EditorView,
  editor: () => Editor | null,
): void {
  const { doc } = view.state
  const keep = async () => {
    const { pastedText } = await import('@/core/import/pasted')
    const read = pastedText(html)
    const current = editor()
    if (!read || !current || current.isDestroyed || !current.state.doc.eq(doc)) {
      toast.error(
        read
          ? 'The words have changed meanwhile. Paste again, then press at once.'
          : 'There is too much in it to be read, or nothing that is kept. The plain words stay.',
      )
      return
    }
    const [first] = read.content
    const inline = read.content.length === 1 && first?.type === 'paragraph'
    current
      .chain()
      .focus()
      .insertContentAt(at, inline ? (first.content ?? []) : read.content)
      .run()
  }
  toast('Pasted as plain words', {
    action: { label: 'With links and emphasis', onClick: () => void keep() },
    duration: 8000,
  })
}
