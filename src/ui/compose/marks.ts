import { Extension, Mark } from '@tiptap/core'

/** What of our rich text the editor's own extensions do not bring. */
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

/** Space under a block that has another than the rest of its words, px. A new paragraph does not take it over. */
export const BlockSpace = Extension.create({
  name: 'blockSpace',
  addGlobalAttributes: () => [
    {
      types: ['paragraph', 'heading', 'bulletList', 'orderedList'],
      attributes: {
        space: {
          default: null,
          keepOnSplit: false,
          parseHTML: () => null,
          renderHTML: (a: Record<string, unknown>) =>
            typeof a.space === 'number' ? { style: `margin-bottom:${a.space}px` } : {},
        },
        narrowSpace: { default: null, keepOnSplit: false, parseHTML: () => null, renderHTML: () => ({}) },
      },
    },
  ],
})
