/**
 * What a reader shows that does not know a feature the compiler emits. A feature that some major reader lacks
 * must stand here (readers.test.ts); so must one that the open data set does not list. docs/readers.md is
 * written from it.
 */
export const fallbacks: Readonly<Record<string, string>> = {
  // Not listed in the data set.
  'css:color': 'Part of CSS 1; not listed because every reader has it.',
  'css:order': 'Cells keep the order of the source on narrow.',
  'css:-webkit-text-size-adjust': 'Only for readers that enlarge letters by themselves.',
  'css:-ms-text-size-adjust': 'Only for readers that enlarge letters by themselves.',
  'css:font-display': 'The web font may be awaited before words are shown.',
  'css:src': 'Part of `@font-face`: the safe stack behind the web font is shown.',
  'html:a': 'Every reader has links.',
  'html:b': 'Every reader has bold letters.',
  'html:br': 'Every reader has line breaks.',
  'html:sup': 'The letters stand on the line.',
  'html:sub': 'The letters stand on the line.',
  'html:bgcolor': 'The same colour stands in the style.',
  'html:background':
    'The same picture stands in the style; some readers show pictures of the message only here.',
  'css:margin-bottom': 'Part of CSS 1; not listed because every reader has it.',
  'css:margin-left': 'Part of CSS 1; not listed because every reader has it.',
  'html:alt': 'Every reader has alt text.',
  'html:title': 'Nothing but a hint under the pointer is lost.',
  'html:scope': 'Header cells are read aloud without their direction.',
  'html:tabindex': 'A scrolling table is scrolled by finger or wheel.',
  // Lacking in a major reader.
  'css-align-items': 'Columns that stack in reverse begin at the top by themselves; see flex.',
  'css-at-font-face':
    'The email-safe stack behind the web font; hidden from the Word engine, which would show its default font.',
  'css-at-media':
    'The fluid structure: columns wrap by themselves where there is no room, and everything keeps its look of the wide window.',
  'css-at-media-prefers-color-scheme': 'The colours of the day, or what the reader itself makes of them.',
  'css-at-media-prefers-reduced-motion': 'The picture moves, as for everyone.',
  'css-background-image': "The band's colour; the Word engine gets a VML box filled with the picture.",
  'css-background-position': 'The picture begins at the top left; VML has its own position.',
  'css-background-repeat': 'The picture repeats; it should be as large as its band.',
  'css-background-size': 'The picture has its own size; it should be as large as its band.',
  'css-border-radius':
    'Corners are square; buttons of the Word engine are VML with round ones, but on pictures.',
  'css-box-sizing': 'A picture or kept cell with an edge is wider by the thickness of its edge.',
  'css-caption-side': 'Captions stand above their table by themselves.',
  'css-color-scheme': 'The reader decides by itself what it does at night.',
  'css-display':
    'Columns of the Word engine are a ghost table; what is for narrow only is kept from it by a condition.',
  'css-display-flex': 'Columns are as tall as their own content, and keep the order of the source.',
  'css-display-none':
    'The Word engine never sees what is for narrow only: a condition keeps it out; the preheader is hidden by a property of its own.',
  'css-flex-direction': 'Cells keep the order of the source on narrow.',
  'css-flex-wrap': 'Columns that stack in reverse stack in the order of the source.',
  'css-function-min': 'Without a style sheet, columns that fit beside each other on narrow stay there.',
  'css-important': 'Such a reader knows no rules of the head at all: see media queries.',
  'css-justify-content': 'A column made taller keeps its content on top.',
  'css-linear-gradient':
    'The plain colour of the ground; the Word engine gets a VML drawing filled with the gradient.',
  'css-letter-spacing': 'Letters stand as close as the font has them.',
  'css-margin':
    'Margins above and below words are kept everywhere; pictures are held by the cell they stand in.',
  'css-max-height': 'The preheader is hidden by its other properties.',
  'css-max-width': 'The Word engine takes widths from the ghost tables and from the width attributes.',
  'css-min-width': 'See media queries; it stands in rules for narrow only, or in the fluid columns.',
  'css-overflow':
    'A table too wide for the window widens it; corners of a card show the ground of what it holds.',
  'css-overflow-wrap': 'A word longer than its column, such as an address, widens it in that reader.',
  'css-padding':
    'Padding stands on table cells, which every reader pads; that of links is drawn by VML for the Word engine.',
  'css-position': 'Raised and lowered signs stand as that reader sets them.',
  'css-pseudo-class-hover': 'The button keeps its colours under the pointer.',
  'css-pseudo-class-root': 'Only the colour scheme stands there: the meta tag says the same.',
  'css-selector-attribute': 'Only for the reader whose attributes they name.',
  'css-selector-class': 'Such a reader knows no rules of the head at all: see media queries.',
  'css-selector-descendant': 'Such a reader knows no rules of the head at all: see media queries.',
  'css-selector-grouping': 'Such a reader knows no rules of the head at all: see media queries.',
  'css-text-transform': 'The words stand as they were written.',
  'css-white-space': 'A mark between links may open a line.',
  'css-width': 'Width attributes stand beside it.',
  'css-height': 'Gaps have a line height as well, buttons their padding.',
  'css-table-layout': 'Columns side by side are widened by long words.',
  'html-aria-hidden': 'A line may be read aloud as a blank.',
  'html-aria-label': 'The email is read aloud without its name.',
  'html-comments': 'Conditions are taken out with the comments: that reader needs none.',
  'html-lang': 'Words in another language are read aloud in the voice of the first.',
  'html-meta-color-scheme': 'The reader decides by itself what it does at night.',
  'html-picture': 'The picture inside, which is the one for wide and day.',
  'html-role': 'Layout tables may be announced when read aloud.',
  'html-srcset': 'The picture inside, which is the one for wide and day.',
  'html-style': 'The fluid structure with every style in the elements.',
  'html-width': 'The style says the same.',
  'html-height': 'The style says the same.',
  'html-valign': 'The style says the same.',
  'html-align': 'The style says the same.',
  'html-doctype': 'That reader puts its own page around the message.',
  'html-body': 'That reader makes it an element of its own; the ground also stands on the wrapper.',
  'html-cellpadding': 'Cells are padded by style.',
  'html-dir': 'The alignment is also written as left and right.',
}
