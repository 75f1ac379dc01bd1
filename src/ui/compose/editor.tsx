'use client'
import { box, flow } from '@/core/tiles/space'
import { EditorContent, useEditor, type Editor } from '@tiptap/react'
import StarterKit from '@tiptap/starter-kit'
import { BackgroundColor, Color, FontSize, TextStyle } from '@tiptap/extension-text-style'
import TextAlign from '@tiptap/extension-text-align'
import { useEffect, useRef } from 'react'
import { toast } from '../parts/toast'
import { richTextSchema, type RichText } from '@/core/email/richtext'
import { physical } from '@/core/tiles/letters'
import type { Dir, Role } from '@/core/email/schema'
import type { Style } from '@/core/email/cascade'
import { fontFamily } from '@/core/email/fonts'
import { blockStyle, gapAfter, LIST_SPACE } from '@/core/tiles/words/html'
import type { WordsTile } from '@/core/tiles/words/schema'
import type { Stretch } from '../bench/ties'
import { pastePlain } from './paste'
import { BlockSpace, Language, LetterSpacing, Subscript, Superscript } from './marks'

/** The words of a tile in the document, followed as they change. */
export interface CurrentWords {
  now: () => RichText | undefined
  subscribe: (listener: () => void) => () => void
}

interface Props {
  tile: WordsTile
  /** The words as they stand in the document: what is drawn may be a few keys behind. */
  words: CurrentWords
  role: Role
  dir: Dir
  style: Style
  ground: string
  /** Where the tile stands, px of the email. */
  at: Stretch
  onChange: (text: RichText) => void
  onEditor: (e: Editor | null) => void
  onDone: () => void
}

/** What words may hold, as their document has it (`core/email/richtext`). */
const extensions = [
  StarterKit.configure({
    code: false,
    codeBlock: false,
    horizontalRule: false,
    undoRedo: false,
    trailingNode: false,
    heading: { levels: [1, 2, 3] },
    link: { openOnClick: false, autolink: false, linkOnPaste: false, isAllowedUri: () => true },
  }),
  TextStyle,
  Color,
  BackgroundColor,
  FontSize,
  LetterSpacing,
  Superscript,
  Subscript,
  Language,
  BlockSpace,
  TextAlign.configure({ types: ['heading', 'paragraph'], alignments: ['left', 'center', 'right'] }),
]

/** An editor of words that follows the document, and tells of each change. */
function useWordsEditor({
  tile,
  words,
  onChange,
  onDone,
}: Pick<Props, 'tile' | 'words' | 'onChange' | 'onDone'>) {
  const own = useRef<string>(JSON.stringify(tile.text))
  const latest = useRef({ onChange, onDone })
  latest.current = { onChange, onDone }
  const now = useRef<Editor | null>(null)
  const editor = useEditor({
    immediatelyRender: false,
    extensions,
    content: tile.text,
    autofocus: 'end',
    editorProps: {
      attributes: { 'aria-label': 'Words', role: 'textbox', 'aria-multiline': 'true' },
      handlePaste: (view, event) => pastePlain(view, event, () => now.current),
      // Undo and redo are the document's; the editor would swallow their keys.
      handleDOMEvents: {
        keydown: (_view, event) => (event.ctrlKey || event.metaKey) && /^[zy]$/i.test(event.key),
      },
      handleKeyDown(_view, event) {
        if (event.key !== 'Escape') return false
        latest.current.onDone()
        return true
      },
    },
    onUpdate({ editor: e }) {
      const read = richTextSchema.safeParse(e.getJSON())
      if (!read.success) {
        toast.error(
          'These words cannot be kept as they are. Undo the last step; everything before it is saved.',
        )
        return
      }
      own.current = JSON.stringify(read.data)
      latest.current.onChange(read.data)
    },
  })
  // Undo, the tray and other tabs change the words from outside. What is drawn is not asked: while keys follow each other
  // it is behind what was typed, and would take the latest away again.
  useEffect(() => {
    const follow = () => {
      const text = words.now()
      if (!editor || !text) return
      const now = JSON.stringify(text)
      if (now === own.current) return
      own.current = now
      editor.commands.setContent(text, { emitUpdate: false })
    }
    follow()
    return words.subscribe(follow)
  }, [words, editor])
  now.current = editor
  return editor
}

/** The style sheet that sets the editor's words like the tile's. */
const sheetOf = (tile: WordsTile, look: Style['roles'][Role], dir: Dir, { webFonts }: Style): string =>
  ([0, 1, 2, 3] as const)
    .map((level) => {
      const s = blockStyle(tile, level, look)
      const where = level ? `.in-place h${level}` : '.in-place p, .in-place ul, .in-place ol'
      return `${where}{font-family:${fontFamily(s.font, webFonts)};font-size:${s.size}px;line-height:${s.line}px;font-weight:${s.bold ? 700 : 400};color:${s.color};margin:0 0 ${tile.space ?? gapAfter(s, level)}px;text-align:${physical(tile.align, { dir })}}`
    })
    .concat(`.in-place li{margin-bottom:${tile.itemSpace ?? LIST_SPACE}px}`)
    .join('\n')

/** Words edited where they stand: the editor lies over the tile in the lens, set like it. */
export function InPlaceEditor({
  tile,
  words,
  role,
  dir,
  style,
  ground,
  at,
  onChange,
  onEditor,
  onDone,
}: Props) {
  const editor = useWordsEditor({ tile, words, onChange, onDone })
  useEffect(() => {
    onEditor(editor)
    return () => onEditor(null)
  }, [editor, onEditor])
  const look = style.roles[role]
  const { padding } = tile
  return (
    <div
      className="in-place absolute z-20 outline-2 outline-[#21508f]"
      style={{
        top: at.top,
        left: at.left,
        width: at.width,
        minHeight: at.height,
        background: ground,
        padding: box(flow(padding, dir)),
        ['--words-link' as string]: tile.link?.color ?? look.link.color,
      }}
      dir={dir}
      onClick={(e) => e.stopPropagation()}
      onPointerDown={(e) => e.stopPropagation()}
    >
      <style>{sheetOf(tile, look, dir, style)}</style>
      <EditorContent editor={editor} />
    </div>
  )
}
