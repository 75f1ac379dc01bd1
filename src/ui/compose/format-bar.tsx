'use client'
import { useEditorState, type Editor } from '@tiptap/react'
import {
  Bold,
  Italic,
  Link2,
  List,
  ListOrdered,
  Quote,
  Strikethrough,
  Subscript,
  Superscript,
  Underline,
  Unlink,
  type LucideIcon,
} from 'lucide-react'
import { useEffect, useState } from 'react'
import type { Style } from '@/core/email/cascade'
import { withScheme } from '@/core/text/link'
import { Button, ColorField, IconButton, NumberField } from '../parts/controls'
import { aligns } from './groups/parts'

type Chain = () => ReturnType<Editor['chain']>

/** Pressing a button must not take the selection out of the words. */
const keep = { onMouseDown: (e: { preventDefault: () => void }) => e.preventDefault() }

/** How the words under the cursor look. */
const useFormat = (editor: Editor) =>
  useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      bold: e.isActive('bold'),
      italic: e.isActive('italic'),
      underline: e.isActive('underline'),
      strike: e.isActive('strike'),
      bullet: e.isActive('bulletList'),
      ordered: e.isActive('orderedList'),
      link: e.getAttributes('link').href as string | undefined,
      color: e.getAttributes('textStyle').color as string | undefined,
      size: e.getAttributes('textStyle').fontSize as string | undefined,
      sup: e.isActive('superscript'),
      sub: e.isActive('subscript'),
      quote: e.isActive('blockquote'),
      back: e.getAttributes('textStyle').backgroundColor as string | undefined,
      spacing: e.getAttributes('textStyle').letterSpacing as string | undefined,
      lang: e.getAttributes('language').lang as string | undefined,
      level: e.isActive('heading') ? String(e.getAttributes('heading').level) : '0',
    }),
  })
type Format = ReturnType<typeof useFormat>

/** The look of the words under the cursor. */
export function FormatBar({ editor, swatches }: { editor: Editor; swatches: Style['colors'] }) {
  const s = useFormat(editor)
  const [link, setLink] = useState<string | null>(null)
  const chain = () => editor.chain().focus()
  useEffect(() => setLink(null), [s.link])
  const putLink = () => {
    const href = withScheme(link ?? s.link ?? '')
    if (href) chain().extendMarkRange('link').setLink({ href }).run()
    setLink(null)
  }
  return (
    <div className="flex flex-col gap-1.5">
      <Toolbar s={s} chain={chain} />
      <ColorAndSize s={s} swatches={swatches} chain={chain} editor={editor} />
      <HighlightAndSpacing s={s} swatches={swatches} chain={chain} editor={editor} />
      <LinkForm putLink={putLink} link={link} s={s} setLink={setLink} chain={chain} />
      <LanguageForm chain={chain} s={s} />
    </div>
  )
}

/** The language of the selected words. */
function LanguageForm({ chain, s }: { chain: Chain; s: Format }) {
  return (
    <form
      className="flex gap-1"
      onSubmit={(e) => {
        e.preventDefault()
        const lang = String(new FormData(e.currentTarget).get('lang') ?? '').trim()
        if (/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/.test(lang))
          chain()
            .setMark('language', { lang, dir: /^(ar|he|fa|ur)\b/i.test(lang) ? 'rtl' : null })
            .run()
        else if (!lang) chain().unsetMark('language').run()
      }}
    >
      <input
        name="lang"
        aria-label="Language of the selected words"
        key={s.lang ?? ''}
        defaultValue={s.lang ?? ''}
        className="w-full min-w-0 border border-grout bg-sheet px-1.5 py-[3px] font-mono text-xs"
        placeholder="Language of these words: fr, he"
      />
      <Button type="submit">Set</Button>
    </form>
  )
}

/** The link of the selected words. */
function LinkForm({
  putLink,
  link,
  s,
  setLink,
  chain,
}: {
  putLink: () => void
  link: string | null
  s: Format
  setLink: (v: string | null) => void
  chain: Chain
}) {
  return (
    <form
      className="flex gap-1"
      onSubmit={(e) => {
        e.preventDefault()
        putLink()
      }}
    >
      <input
        aria-label="Link of the selected words"
        className="w-full min-w-0 border border-grout bg-sheet px-1.5 py-[3px] font-mono text-xs"
        placeholder="Link: https:// or [[unsubscribe]]"
        value={link ?? s.link ?? ''}
        onChange={(e) => setLink(e.target.value)}
      />
      <IconButton label="Set the link" type="submit">
        <Link2 size={13} />
      </IconButton>
      <IconButton
        {...keep}
        label="Take the link off"
        disabled={!s.link}
        onClick={() => chain().extendMarkRange('link').unsetLink().run()}
      >
        <Unlink size={13} />
      </IconButton>
    </form>
  )
}

/** What a field without room for its name beside it is called; read aloud, the field names itself. */
const Caption = ({ children }: { children: string }) => (
  <span aria-hidden className="text-[10.5px] leading-[14px] text-soft">
    {children}
  </span>
)

/** What stands behind the selected words, and between their letters. */
function HighlightAndSpacing({
  s,
  swatches,
  chain,
  editor,
}: {
  s: Format
  swatches: Style['colors']
  chain: Chain
  editor: Editor
}) {
  return (
    <div className="grid grid-cols-[1fr_64px] gap-x-1.5">
      <Caption>Highlight</Caption>
      <Caption>Spacing</Caption>
      <ColorField
        label="Highlight behind the selected words"
        value={s.back ?? '#ffffff'}
        swatches={swatches}
        own={!!s.back}
        onClear={() => chain().unsetBackgroundColor().run()}
        onChange={(v) => editor.chain().setBackgroundColor(v).run()}
      />
      <NumberField
        label="Space between the selected letters, px"
        value={s.spacing ? parseFloat(s.spacing) : 0}
        min={-5}
        max={30}
        own={!!s.spacing}
        onChange={(v) =>
          editor
            .chain()
            .setMark('textStyle', { letterSpacing: v ? `${v}px` : null })
            .removeEmptyTextStyle()
            .run()
        }
      />
    </div>
  )
}

/** Colour and size of the selected words. */
function ColorAndSize({
  s,
  swatches,
  chain,
  editor,
}: {
  s: Format
  swatches: Style['colors']
  chain: Chain
  editor: Editor
}) {
  return (
    <div className="grid grid-cols-[1fr_64px] gap-x-1.5">
      <Caption>Colour</Caption>
      <Caption>Size, px</Caption>
      <ColorField
        label="Colour of the selected words"
        value={s.color ?? '#222222'}
        swatches={swatches}
        own={!!s.color}
        onClear={() => chain().unsetColor().run()}
        onChange={(v) => editor.chain().setColor(v).run()}
      />
      <NumberField
        label="Size of the selected words, px"
        value={s.size ? parseInt(s.size) : 16}
        min={8}
        max={120}
        own={!!s.size}
        onChange={(v) => editor.chain().setFontSize(`${v}px`).run()}
      />
    </div>
  )
}

/** What can be switched on and off for the selected words. */
const switches: readonly {
  label: string
  keys?: string
  icon: LucideIcon
  on: (s: Format) => boolean
  toggle: (chain: ReturnType<Chain>) => ReturnType<Chain>
}[] = [
  { label: 'Bold', keys: 'Ctrl B', icon: Bold, on: (s) => s.bold, toggle: (c) => c.toggleBold() },
  { label: 'Italic', keys: 'Ctrl I', icon: Italic, on: (s) => s.italic, toggle: (c) => c.toggleItalic() },
  {
    label: 'Underline',
    keys: 'Ctrl U',
    icon: Underline,
    on: (s) => s.underline,
    toggle: (c) => c.toggleUnderline(),
  },
  { label: 'Strike', icon: Strikethrough, on: (s) => s.strike, toggle: (c) => c.toggleStrike() },
  { label: 'List', icon: List, on: (s) => s.bullet, toggle: (c) => c.toggleBulletList() },
  {
    label: 'Numbered list',
    icon: ListOrdered,
    on: (s) => s.ordered,
    toggle: (c) => c.toggleOrderedList(),
  },
  { label: 'Quote', icon: Quote, on: (s) => s.quote, toggle: (c) => c.toggleBlockquote() },
  {
    label: 'Raised letters',
    icon: Superscript,
    on: (s) => s.sup,
    toggle: (c) => c.unsetMark('subscript').toggleMark('superscript'),
  },
  {
    label: 'Lowered letters',
    icon: Subscript,
    on: (s) => s.sub,
    toggle: (c) => c.unsetMark('superscript').toggleMark('subscript'),
  },
]

/** Marks, lists, alignment and the kind of paragraph. */
function Toolbar({ s, chain }: { s: Format; chain: Chain }) {
  return (
    <div className="flex flex-wrap items-center gap-0.5" role="toolbar" aria-label="Look of the words">
      {switches.map(({ label, keys, icon: Icon, on, toggle }) => (
        <IconButton
          key={label}
          {...keep}
          label={label}
          keys={keys}
          active={on(s)}
          onClick={() => toggle(chain()).run()}
        >
          <Icon size={13} />
        </IconButton>
      ))}
      {aligns.map((a) => (
        <IconButton
          key={a.value}
          {...keep}
          label={`Align this paragraph: ${a.name.toLowerCase()}`}
          onClick={() => chain().setTextAlign(a.value).run()}
        >
          {a.label}
        </IconButton>
      ))}
      <select
        aria-label="Kind of paragraph"
        value={s.level}
        className="ml-1 border border-grout bg-sheet px-1 py-[3px] text-xs"
        onChange={(e) =>
          e.target.value === '0'
            ? chain().setParagraph().run()
            : chain()
                .setHeading({ level: Number(e.target.value) as 1 | 2 | 3 })
                .run()
        }
      >
        <option value="0">Paragraph</option>
        <option value="1">Heading 1</option>
        <option value="2">Heading 2</option>
        <option value="3">Heading 3</option>
      </select>
    </div>
  )
}
