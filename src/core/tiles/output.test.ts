import { outline, picture, tileOf, written } from '@/test-support/tiles'
import type { ButtonStyle } from '../email/styles'
import type { Mark } from '../email/richtext'

/*
 * The exact output of every kind of tile, in a cell that leaves it 300 px of an email of 600 px; each line was
 * looked over when it was written down. A change of a figure, a colour or a class shows here first.
 */

const said = (text: string, ...marks: Mark[]) => ({
  type: 'text' as const,
  text,
  ...(marks.length ? { marks } : {}),
})
const link: Mark = { type: 'link', attrs: { href: 'https://a.example' } }

/** An outline without the indentation that it has in this file. */
const as = (lines: TemplateStringsArray) => {
  const [first, ...rest] = lines[0]!.replace(/^\n|\n *$/g, '').split('\n')
  const indent = /^ */.exec(first!)![0].length
  return [first!, ...rest].map((l) => l.slice(indent)).join('\n')
}

test('a button is a padded link; for the Word engine a box of a settled size with its letters in its own ink', () => {
  const { html, rules } = written(
    tileOf('button', {
      label: 'Go & see',
      link: 'https://a.example/?b=1&c=2',
      style: { background: '#123456', color: '#fedcba', padX: 21, padY: 9, size: 16, radius: 6, bold: true },
    }),
  )
  expect(outline(html)).toBe(as`
    td
      [mso]
      v:roundrect
        href=https://a.example/?b=1&amp;c=2
          height:38px
          v-text-anchor:middle
          width:115px
        arcsize=16%
        stroked=f
        fillcolor=#123456
        w:anchorlock
        center
            color:#fedcba
            font-family:Arial, Helvetica, sans-serif
            font-size:16px
            font-weight:bold
          "Go &amp; see"
      []
      [!mso]
      table
        role=presentation
        cellpadding=0
        cellspacing=0
        class=wide-btn
        tr
          td
            align=center
            bgcolor=#123456
              background-color:#123456
              border-radius:6px
            a
              href=https://a.example/?b=1&amp;c=2
              class=btn-tall12
                display:block
                padding:9px 21px
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.25
                font-weight:bold
                color:#fedcba
                text-decoration:none
              span
                  color:#fedcba
                  text-decoration:none
                "Go &amp; see"
      []
  `)
  expect(rules).toEqual([
    '@media (max-width:480px){',
    '  .btn-tall12{padding-top:12px!important;padding-bottom:12px!important}',
    '  .wide-btn{width:100%!important}',
    '}',
  ])
})

test('a button with all that it can have: its edge, its icon, its looks at night and under a pointer, its sizes on narrow', () => {
  const { html, rules } = written(
    tileOf('button', {
      label: 'Go',
      link: '',
      fullNarrow: true,
      style: {
        borderWidth: 2,
        borderColor: '#ff0000',
        radius: 30,
        padY: 3,
        padX: 10,
        capitals: true,
        spacing: 1,
        nightBackground: '#000001',
        nightColor: '#fffff1',
        nightBorder: '#00ff01',
        hoverBackground: '#111111',
        hoverColor: '#eeeeee',
      },
      icon: { picture, side: 'after', width: 16 },
    }),
    { kept: true },
  )
  expect(outline(html)).toBe(as`
    td
      [mso]
      v:roundrect
        href=#
          height:30px
          v-text-anchor:middle
          width:70px
        arcsize=50%
        strokeweight=2px
        strokecolor=#ff0000
        fillcolor=#1f4f8a
        w:anchorlock
        center
            color:#ffffff
            font-family:Arial, Helvetica, sans-serif
            font-size:16px
            font-weight:bold
          "GO"
      []
      [!mso]
      table
        role=presentation
        cellpadding=0
        cellspacing=0
        class=wide-btn
        tr
          td
            align=center
            bgcolor=#1f4f8a
            class=hover-111111-on-eeeeee n-ground-000001 n-edge-00ff01
              background-color:#1f4f8a
              border:2px solid #ff0000
              border-radius:30px
            a
              href=#
              class=btn-tight btn-tall10
                display:block
                padding:3px 10px
                padding:3px min(10px,1.78vw - 0.67px)
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.25
                font-weight:bold
                letter-spacing:1px
                text-transform:uppercase
                color:#ffffff
                text-decoration:none
              span
                class=n-ink-fffff1
                  color:#ffffff
                  text-decoration:none
                "Go"
                img
                  src=a.png
                  alt=
                  width=16
                    display:inline-block
                    width:16px
                    height:auto
                    margin:0 0 0 8px
                    vertical-align:middle
      []
  `)
  expect(rules).toEqual([
    '.hover-111111-on-eeeeee:hover{background-color:#111111!important}',
    '.hover-111111-on-eeeeee:hover span{color:#eeeeee!important}',
    '@media (max-width:480px){',
    '  .btn-tall10{padding-top:10px!important;padding-bottom:10px!important}',
    '  .btn-tight{padding-left:6px!important;padding-right:6px!important}',
    '  .wide-btn{width:100%!important}',
    '}',
    '@media (prefers-color-scheme:dark){',
    '  .n-edge-00ff01{border-color:#00ff01!important}',
    '  .n-ground-000001{background-color:#000001!important}',
    '  .n-ink-fffff1{color:#fffff1!important}',
    '}',
    '[data-ogsc] .n-edge-00ff01{border-color:#00ff01!important}',
    '[data-ogsc] .n-ink-fffff1{color:#fffff1!important}',
    '[data-ogsb] .n-ground-000001{background-color:#000001!important}',
  ])
})

/*
 * Seen in Thunderbird 153, dark: a dark ink on a ground of the cell alone is dropped for the program's own of links, light blue on
 * amber; with the ground on the same element it stays. A light ink stays anyway, and a white ground never does.
 */
test("a dark ink stands on the button's ground in one element, by day, at night and under the pointer", () => {
  const spanOf = (style: Partial<ButtonStyle>) => {
    const { html, rules } = written(tileOf('button', { label: 'Go', link: '', style }))
    return { rules, span: /<span[^>]*>/.exec(html)![0] }
  }
  const amber = { background: '#e8a33d', color: '#17282c' }
  expect(spanOf(amber).span).toBe(
    '<span style="color:#17282c;background-color:#e8a33d;text-decoration:none">',
  )
  const hovered = spanOf({ ...amber, nightBackground: '#101112', hoverBackground: '#ffcc66' })
  expect(hovered.span).toContain('class="n-ground-101112"')
  expect(hovered.rules).toContain('.hover-ffcc66-words:hover span{background-color:#ffcc66!important}')
  expect(spanOf({ background: '#ffffff', color: '#17282c' }).span).not.toContain('background')
  expect(spanOf({ background: '#1f4f8a', color: '#ffffff' }).span).not.toContain('background')
})

test('a picture is never wider than its cell, with its edge inside; its alt text bears the letters around it', () => {
  const { html, rules } = written(
    tileOf('picture', {
      picture,
      alt: 'A "hill"',
      link: 'https://a.example',
      width: 900,
      align: 'right',
      radius: 5,
      edge: { width: 2, style: 'dashed', color: '#123456', nightColor: '#654321' },
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-size:0
        line-height:0
      a
        href=https://a.example
          text-decoration:none
        img
          src=a.png
          alt=A &quot;hill&quot;
          width=296
          class=n-edge-654321
            display:block
            box-sizing:border-box
            width:100%
            height:auto
            max-height:max(152px,min((481px - 100vw)*999,50vw + 5px))
            border:2px dashed #123456
            border-radius:5px
            font-family:Arial, Helvetica, sans-serif
            font-size:16px
            line-height:1.5
            color:#222222
  `)
  expect(rules).toEqual([
    '@media (prefers-color-scheme:dark){',
    '  .n-edge-654321{border-color:#654321!important}',
    '}',
    '[data-ogsc] .n-edge-654321{border-color:#654321!important}',
  ])
})

test('a picture that takes a share of its cell, with others at night, on narrow and for less motion', () => {
  const { html, rules } = written(
    tileOf('picture', {
      picture,
      alt: null,
      percent: 50,
      align: 'center',
      narrowPicture: { ...picture, id: 'b'.repeat(64) },
      nightPicture: { ...picture, id: 'c'.repeat(64) },
      stillPicture: { ...picture, id: 'd'.repeat(64) },
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-size:0
        line-height:0
      picture
        source
          srcset=d.png
          media=(prefers-reduced-motion:reduce)
        source
          srcset=c.png
          media=(prefers-color-scheme:dark)
        source
          srcset=b.png
          media=(max-width:480px)
        img
          src=a.png
          alt=
          width=150
            display:block
            width:50%
            height:auto
            margin:0 auto
  `)
  expect(rules).toEqual([])
})

test('a divider is the upper edge of an empty block', () => {
  const { html, rules } = written(
    tileOf('divider', {
      color: '#123456',
      thickness: 3,
      length: 40,
      align: 'right',
      line: 'dotted',
      nightColor: '#654321',
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-size:0
        line-height:0
      table
        role=presentation
        cellpadding=0
        cellspacing=0
        width=40%
          margin-left:auto
        tr
          td
            class=n-edge-654321
              border-top:3px dotted #123456
              font-size:0
              line-height:0
            "&nbsp;"
  `)
  expect(rules).toEqual([
    '@media (prefers-color-scheme:dark){',
    '  .n-edge-654321{border-color:#654321!important}',
    '}',
    '[data-ogsc] .n-edge-654321{border-color:#654321!important}',
  ])
})

test('an invisible divider keeps its room', () => {
  const { html, rules } = written(tileOf('divider', { thickness: 3, invisible: true }))
  expect(outline(html)).toBe(as`
    td
        font-size:0
        line-height:0
      div
          height:3px
          font-size:0
          line-height:0
        "&nbsp;"
  `)
  expect(rules).toEqual([])
})

test('a gap is as high as it says, and may be of another height on narrow', () => {
  const { html, rules } = written(tileOf('gap', { height: 37, narrowHeight: 12.5 }))
  expect(outline(html)).toBe(as`
    td
      class=high12_5
        font-size:1px
        line-height:37px
      "&nbsp;"
  `)
  expect(rules).toEqual(['@media (max-width:480px){', '  .high12_5{line-height:12.5px!important}', '}'])
})

test('blocks of words and items of lists have the space that is theirs, on narrow another', () => {
  const line = (text: string, attrs?: { space?: number; narrowSpace?: number }) => ({
    type: 'paragraph' as const,
    ...(attrs ? { attrs } : {}),
    content: [said(text)],
  })
  const { html, rules } = written(
    tileOf('words', {
      text: {
        type: 'doc',
        content: [
          line('A', { space: 31, narrowSpace: 9 }),
          line('B'),
          { type: 'bulletList', content: [{ type: 'listItem', content: [line('C')] }] },
          line('D', { space: 50 }),
        ],
      },
      space: 12,
      itemSpace: 7,
    }),
  )
  const margins = [...html.matchAll(/<(p|ul|li)(?: class="(\w+)")? style="margin(?:-bottom)?:([^;"]+)/g)]
  expect(margins.map(([, tag, name, margin]) => [tag, margin, name])).toEqual([
    ['p', '0 0 31px', 'under9'],
    ['p', '0 0 12px', undefined],
    ['ul', '0 0 12px', undefined],
    ['li', '7px', undefined],
    // Under the last there is none.
    ['p', '0', undefined],
  ])
  expect(rules).toContain('  .under9{margin-bottom:9px!important}')
})

test('a menu whose links stand nearer on narrow says so', () => {
  const menu = {
    items: [{ label: 'A', link: '' }],
    separator: '',
    space: 30,
    narrowSpace: 8,
    compact: 'wrap' as const,
  }
  expect(written(tileOf('menu', menu)).rules).toContain(
    '  .menu-8{padding-left:8px!important;padding-right:8px!important}',
  )
  expect(written(tileOf('menu', { ...menu, narrowSpace: 30 })).rules.join('')).not.toContain('menu-')
})

test('a menu is a row of links with marks between them, and a column on narrow', () => {
  const { html, rules } = written(
    tileOf('menu', {
      items: [
        { label: 'A', link: 'https://a.example' },
        { label: 'B', link: '' },
      ],
      separator: '|',
      compact: 'column',
      space: 7,
      align: 'center',
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-family:Arial, Helvetica, sans-serif
        font-size:16px
        line-height:1.5
        color:#1f4f8a
        text-align:center
      a
        href=https://a.example
        class=menu-col
          display:inline-block
          padding:4px 7px
          color:#1f4f8a
          text-decoration:none
        span
            color:#1f4f8a
          "A"
      [mso]
      "&nbsp;&nbsp;"
      []
      " "
      span
        class=menu-line
          white-space:nowrap
        span
          aria-hidden=true
          class=menu-mark
            display:inline-block
            padding:4px 0
            max-width:max(0px,(100% - 60px)*999)
            overflow:hidden
            vertical-align:top
          "|"
        [mso]
        "&nbsp;&nbsp;"
        []
        a
          href=#
          class=menu-col
            display:inline-block
            padding:4px 7px
            color:#1f4f8a
            text-decoration:none
            white-space:normal
          span
              color:#1f4f8a
            "B"
  `)
  expect(rules).toEqual([
    '@media (max-width:480px){',
    '  .menu-col{display:block!important;padding:10px 0!important}',
    '  .menu-line{display:block!important}',
    '  .menu-mark{display:none!important}',
    '}',
  ])
})

test('marks keep their size by attributes, with the gap behind each but the last; those without a link are no links', () => {
  const { html } = written(
    tileOf('marks', {
      marks: [
        { picture, alt: 'Us', link: 'https://a.example', width: 20 },
        { picture, alt: '', link: '', width: 30 },
      ],
      gap: 12,
      align: 'center',
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-size:0
        line-height:15px
        text-align:center
      a
        href=https://a.example
          display:inline-block
          vertical-align:middle
          padding:0 12px 0 0
          text-decoration:none
        img
          src=a.png
          alt=Us
          width=20
          height=10
            display:block
            font-family:Arial, Helvetica, sans-serif
            font-size:16px
            line-height:1.5
            color:#222222
      [mso]
      span
          font-size:24px
        "&nbsp;"
      []
      " "
      img
        src=a.png
        alt=
        width=30
        height=15
          display:inline-block
          vertical-align:middle`)
})

test('icons stand beside each other with half the gap on each side', () => {
  const { html, rules } = written(
    tileOf('social', {
      icons: [
        { picture, alt: 'Us', link: 'https://a.example', title: 'T' },
        { picture, alt: 'Them', link: '' },
      ],
      size: 30,
      gap: 12,
      align: 'right',
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-size:0
        line-height:30px
        text-align:right
      a
        href=https://a.example
        title=T
          display:inline-block
          padding:0 6px
          text-decoration:none
        img
          src=a.png
          alt=Us
          width=30
          height=30
            display:block
            font-family:Arial, sans-serif
            font-size:12px
            color:#1f4f8a
      [mso]
      span
          font-size:24px
        "&nbsp;"
      []
      " "
      a
        href=#
          display:inline-block
          padding:0 6px
          text-decoration:none
        img
          src=a.png
          alt=Them
          width=30
          height=30
            display:block
            font-family:Arial, sans-serif
            font-size:12px
            color:#1f4f8a
  `)
  expect(rules).toEqual([])
})

test('a review: its stars, what was said, and who said it', () => {
  const { html, rules } = written(
    tileOf('review', { text: 'It fits.', who: 'Ines', about: 'pilot', stars: 4, starColor: '#aa8800' }),
  )
  expect(outline(html)).toBe(as`
    td
        font-family:Arial, Helvetica, sans-serif
        font-size:16px
        line-height:1.5
        color:#222222
      p
        role=img
        aria-label=4 of 5 stars
          margin:0 0 6px
          font-family:Arial, sans-serif
          font-size:20px
          line-height:1.2
          color:#aa8800
        "★★★★☆"
      p
          margin:0 0 8px
        "It fits."
      p
          margin:0
          font-size:13px
          line-height:1.4616
        b
          "Ines"
        ", pilot"
  `)
  expect(rules).toEqual([])
})

test('a footer: the sender, why it came, and the ways out', () => {
  const { html, rules } = written(
    tileOf('footer', {
      sender: 'Rail',
      address: 'Quay 4',
      why: 'Because.',
      unsubscribe: { label: 'Leave', link: 'https://a.example/l' },
      preferences: { label: 'Less', link: 'https://a.example/p' },
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-family:Arial, Helvetica, sans-serif
        font-size:13px
        line-height:1.4616
        color:#555555
      p
          margin:0 0 13px
        b
          "Rail"
        br
        "Quay 4"
      p
          margin:0 0 13px
        "Because."
      p
          margin:0
        a
          href=https://a.example/l
            color:#1f4f8a
            text-decoration:underline
          span
              color:#1f4f8a
              text-decoration:underline
            "Leave"
        " &nbsp; "
        a
          href=https://a.example/p
            color:#1f4f8a
            text-decoration:underline
          span
              color:#1f4f8a
              text-decoration:underline
            "Less"
  `)
  expect(rules).toEqual([])
})

test('words: headings, paragraphs, lists and quotes with their styles inline; neighbouring runs of one link are one link', () => {
  const { html, rules } = written(
    tileOf('words', {
      text: {
        type: 'doc',
        content: [
          { type: 'heading', attrs: { level: 2 }, content: [said('Head')] },
          {
            type: 'paragraph',
            content: [said('one '), said('two', link, { type: 'bold' }), said(' three', link)],
          },
          {
            type: 'bulletList',
            content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [said('i')] }] }],
          },
          { type: 'blockquote', content: [{ type: 'paragraph', content: [said('q')] }] },
        ],
      },
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-family:Arial, Helvetica, sans-serif
        font-size:16px
        line-height:1.5
        color:#222222
      h2
          margin:0 0 12px
          font-size:24px
          line-height:1.25
          font-weight:bold
        "Head"
      p
          margin:0 0 17px
        "one "
        a
          href=https://a.example
            color:#1f4f8a
            text-decoration:underline
          span
              color:#1f4f8a
              text-decoration:underline
            b
              "two"
            " three"
      ul
          margin:0 0 17px
          padding:0 0 0 24px
          list-style:disc
        li
            margin-bottom:4px
          "i"
      div
          margin:0
          padding:0 0 0 16px
          border-left:3px solid #1f4f8a
        p
            margin:0
          "q"
  `)
  expect(rules).toEqual([])
})

test('words that run from right to left stand in from the right', () => {
  const { html, rules } = written(
    tileOf('words', {
      dir: 'rtl',
      lang: 'he',
      text: {
        type: 'doc',
        content: [
          {
            type: 'bulletList',
            content: [
              {
                type: 'listItem',
                content: [
                  { type: 'paragraph', content: [said('i')] },
                  { type: 'paragraph', content: [said('j')] },
                ],
              },
            ],
          },
          { type: 'blockquote', content: [{ type: 'paragraph', content: [said('q')] }] },
        ],
      },
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-family:Arial, Helvetica, sans-serif
        font-size:16px
        line-height:1.5
        color:#222222
        text-align:right
      div
        lang=he
        dir=rtl
        ul
            margin:0 0 17px
            padding:0 24px 0 0
            list-style:disc
          li
              margin-bottom:4px
            "i"
            br
            "j"
        div
            margin:0
            padding:0 16px 0 0
            border-right:3px solid #1f4f8a
          p
              margin:0
            "q"
  `)
  expect(rules).toEqual([])
})

test('marks on words', () => {
  const { html, rules } = written(
    tileOf('words', {
      text: {
        type: 'doc',
        content: [
          {
            type: 'paragraph',
            content: [
              said('a', { type: 'italic' }),
              said('b', { type: 'underline' }),
              said('c', { type: 'strike' }),
              said('d', { type: 'superscript' }),
              said('e', { type: 'subscript' }),
              said('f', { type: 'language', attrs: { lang: 'fr', dir: null } }),
              said('g', {
                type: 'textStyle',
                attrs: {
                  color: '#ff0000',
                  fontSize: '20px',
                  backgroundColor: '#00ff00',
                  letterSpacing: '1px',
                },
              }),
            ],
          },
        ],
      },
    }),
  )
  expect(outline(html)).toBe(as`
    td
        font-family:Arial, Helvetica, sans-serif
        font-size:16px
        line-height:1.5
        color:#222222
      p
        class=loose
          margin:0
        em
          "a"
        span
            text-decoration:underline
          "b"
        span
            text-decoration:line-through
          "c"
        sup
            font-size:70%
            line-height:0
            vertical-align:super
            position:static
          "d"
        sub
            font-size:70%
            line-height:0
            vertical-align:sub
            position:static
          "e"
        span
          lang=fr
          "f"
        span
            color:#ff0000
            font-size:20px
            line-height:1.35
            letter-spacing:1px
            background-color:#00ff00
          "g"
  `)
  expect(rules).toEqual([])
})

test('a table of data whose rows become cards on narrow', () => {
  const { html, rules } = written(
    tileOf('table', {
      caption: 'C',
      columns: [{ align: 'left' }, { align: 'right', width: 30 }],
      rows: [
        ['A', 'B'],
        ['1', '2'],
        ['3', '4'],
      ],
      compact: 'cards',
      zebra: '#eeeeee',
      space: 8,
      edge: { width: 1, style: 'solid', color: '#cccccc' },
      headColor: '#ffffff',
      headBackground: '#000000',
    }),
  )
  expect(outline(html)).toBe(as`
    td
      table
        cellpadding=0
        cellspacing=0
        width=100%
          border-collapse:collapse
          overflow-wrap:normal
        caption
            padding:0 0 8px
            font-family:Arial, Helvetica, sans-serif
            font-size:16px
            line-height:1.5
            color:#222222
            text-align:left
            caption-side:top
          "C"
        thead
          tr
            class=card-head
            th
              scope=col
              class=row-card
              bgcolor=#000000
                padding:8px
                background-color:#000000
                border-bottom:1px solid #cccccc
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.5
                font-weight:bold
                color:#ffffff
                text-align:left
                vertical-align:top
              "A"
            th
              scope=col
              width=30%
              class=row-card
              bgcolor=#000000
                padding:8px
                background-color:#000000
                border-bottom:1px solid #cccccc
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.5
                font-weight:bold
                color:#ffffff
                text-align:right
                vertical-align:top
              "B"
        tbody
          tr
            td
              class=row-card
                padding:8px
                border-bottom:1px solid #cccccc
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.5
                color:#222222
                vertical-align:top
              span
                class=show-inline
                  display:none
                "A: "
              "1"
            td
              class=row-card
                padding:8px
                border-bottom:1px solid #cccccc
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.5
                color:#222222
                text-align:right
                vertical-align:top
              span
                class=show-inline
                  display:none
                "B: "
              "2"
          tr
            td
              class=row-card
              bgcolor=#eeeeee
                padding:8px
                background-color:#eeeeee
                border-bottom:1px solid #cccccc
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.5
                color:#222222
                vertical-align:top
              span
                class=show-inline
                  display:none
                "A: "
              "3"
            td
              class=row-card
              bgcolor=#eeeeee
                padding:8px
                background-color:#eeeeee
                border-bottom:1px solid #cccccc
                font-family:Arial, Helvetica, sans-serif
                font-size:16px
                line-height:1.5
                color:#222222
                text-align:right
                vertical-align:top
              span
                class=show-inline
                  display:none
                "B: "
              "4"
  `)
  expect(rules).toEqual([
    '@media (max-width:480px){',
    '  .card-head{display:none!important}',
    '  .row-card{display:block!important;width:auto!important;text-align:inherit!important}',
    '  .show-inline{display:inline!important}',
    '}',
  ])
})

test('a table of data that scrolls in its place on narrow, with heads at the side', () => {
  const { html, rules } = written(
    tileOf('table', {
      caption: '',
      headRow: false,
      headColumn: true,
      columns: [{ align: 'left' }, { align: 'left' }],
      rows: [
        ['A', '1'],
        ['B', '2'],
      ],
      compact: 'scroll',
      space: 4,
    }),
  )
  expect(outline(html)).toBe(as`
    td
      div
        class=scroll
        tabindex=0
        role=region
        aria-label=Table
        table
          cellpadding=0
          cellspacing=0
          width=100%
            border-collapse:collapse
            overflow-wrap:normal
          tbody
            tr
              th
                scope=row
                class=scroll-cell
                  padding:4px
                  border-bottom:1px solid #d5d5d5
                  font-family:Arial, Helvetica, sans-serif
                  font-size:16px
                  line-height:1.5
                  font-weight:bold
                  color:#222222
                  text-align:left
                  vertical-align:top
                "A"
              td
                class=scroll-cell
                  padding:4px
                  border-bottom:1px solid #d5d5d5
                  font-family:Arial, Helvetica, sans-serif
                  font-size:16px
                  line-height:1.5
                  color:#222222
                  vertical-align:top
                "1"
            tr
              th
                scope=row
                class=scroll-cell
                  padding:4px
                  border-bottom:1px solid #d5d5d5
                  font-family:Arial, Helvetica, sans-serif
                  font-size:16px
                  line-height:1.5
                  font-weight:bold
                  color:#222222
                  text-align:left
                  vertical-align:top
                "B"
              td
                class=scroll-cell
                  padding:4px
                  border-bottom:1px solid #d5d5d5
                  font-family:Arial, Helvetica, sans-serif
                  font-size:16px
                  line-height:1.5
                  color:#222222
                  vertical-align:top
                "2"
  `)
  expect(rules).toEqual([
    '@media (max-width:480px){',
    '  .scroll{width:0!important;min-width:100%!important;overflow-x:auto!important}',
    '  .scroll-cell{min-width:96px!important}',
    '}',
  ])
})

test('custom code: its rules inline where they can be, else in the head, and only for itself', () => {
  const { html, rules } = written(
    tileOf('code', {
      html: '<p class="x">[[name]]</p>',
      css: '.x{color:red} .x:hover{color:blue} @media (max-width:300px){.x{color:green}}',
    }),
  )
  expect(outline(html)).toBe(as`
    td
      div
        class=own-t
          font-family:Arial, Helvetica, sans-serif
          font-size:16px
          line-height:1.5
          color:#222222
        p
          class=own-t-x
            color:red
          "[[name]]"
  `)
  expect(rules).toEqual([
    '@media (max-width:300px){',
    '  .own-t .own-t-x{color:green!important}',
    '}',
    '.own-t .own-t-x:hover{color:blue!important}',
  ])
})

test('conditional content: one for the Word engine, another for all others', () => {
  const { html, rules } = written(tileOf('conditional', { word: '<b>w [[name]]</b>', others: '<i>o</i>' }))
  expect(outline(html)).toBe(as`
    td
      [mso]
      b
        "w [[name]]"
      []
      [!mso]
      div
          font-family:Arial, Helvetica, sans-serif
          font-size:16px
          line-height:1.5
          color:#222222
        i
          "o"
      []
  `)
  expect(rules).toEqual([])
})

test('on a picture a button is a cell that the Word engine pads, since a shape may hold no other', () => {
  const ground = { color: '#123456', night: '#123456', picture: {} as never }
  const { html } = written(tileOf('button', { label: 'Go', style: { padX: 21, padY: 9 } }), { ground })
  expect(html).not.toContain('v:roundrect')
  expect(html).toContain('class="pad9-21"')
})

test('a label of several lines has a shape as high for the Word engine', () => {
  const height = (label: string) =>
    Number(
      /height:(\d+)px/.exec(
        written(tileOf('button', { label, style: { padX: 20, padY: 10, size: 16 } })).html,
      )![1],
    )
  expect(height('Go')).toBe(40)
  // 300 px less 20 on each side hold about 30 letters of 16 px.
  expect(height('Reserve two berths on the night train to the upper valley')).toBe(60)
})

test('an alt text can be read on the ground behind it, by day and at night', () => {
  const ink = (color: string, night: string) => {
    const { html } = written(tileOf('picture', { picture, alt: 'A hill' }), { ground: { color, night } })
    return [/(#[0-9a-f]{6})"/.exec(html)![1], /class="n-ink-([0-9a-f]{6})"/.exec(html)?.[1]]
  }
  expect(ink('#ffffff', '#ffffff')).toEqual(['#222222', undefined])
  expect(ink('#101010', '#101010')).toEqual(['#ffffff', undefined])
  expect(ink('#ffffff', '#101010')).toEqual(['#222222', 'ffffff'])
})

test('numbers of several parts keep their order in words from right to left', () => {
  const said = {
    type: 'doc',
    content: [{ type: 'paragraph', content: [{ type: 'text', text: 'הטלפון 03-555 12 34 פתוח' }] }],
  }
  const tile = tileOf('words', { text: said as never })
  expect(written(tile, { dir: 'rtl' }).html).toContain('הטלפון <span dir="ltr">03-555 12 34</span> פתוח')
  expect(written(tile).html).not.toContain('<span')
})
