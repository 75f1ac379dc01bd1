import { Extension, Mark } from '@tiptap/core'

/** Marks of our rich text that the editor's own extensions do not bring. */
export const Superscript = Mark.create({
  name: 'superscript',
  excludes: 'subscript',
  parseHTML: () => [{ tag: 'sup' }],
  renderHTML: () => ['sup', 0],
})
export const Subscript = Mark.create({
  name: 'subscript',
  excludes: 'superscript',
  parseHTML: () => [{ tag: 'sub' }],
  renderHTML: () => ['sub', 0],
})

export const Language = Mark.create({
  name: 'language',
  addAttributes: () => ({ lang: { default: null }, dir: { default: null } }),
  parseHTML: () => [{ tag: 'span[lang]' }],
  renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes, 0],
})

export const LetterSpacing = Extension.create({
  name: 'letterSpacing',
  addGlobalAttributes: () => [
    {
      types: ['textStyle'],
      attributes: {
        letterSpacing: {
          default: null,
          parseHTML: (e: HTMLElement) => e.style.letterSpacing || null,
          renderHTML: (a: Record<string, unknown>) =>
            a.letterSpacing ? { style: `letter-spacing:${String(a.letterSpacing)}` } : {},
        },
      },
    },
  ],
})
