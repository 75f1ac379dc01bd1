import fc from 'fast-check'
import { richTextSchema, type Block, type ListItem } from '../email/richtext'
import { pastedText } from './pasted'

/** Blocks in short: `h1:words`, `p:a *bold* _slanted_ [link]`, `ul(item|item)`. */
function short(html: string): string[] {
  const block = (b: Block | ListItem): string => {
    if (b.type === 'listItem') return b.content.map(block).join(' ').replace(/^p:/, '')
    if (b.type === 'bulletList') return `ul(${b.content.map(block).join('|')})`
    if (b.type === 'orderedList') return `ol(${b.content.map(block).join('|')})`
    if (b.type === 'blockquote') return `quote(${b.content.map(block).join('|')})`
    const words = (b.content ?? []).map((r) => {
      if (r.type === 'hardBreak') return '/'
      return (r.marks ?? []).reduce((said, m) => {
        const sign = { bold: '*', italic: '_', underline: '~', superscript: '^' }[m.type as 'bold']
        return sign ? `${sign}${said}${sign}` : m.type === 'link' ? `[${said}]` : `<${m.type} ${said}>`
      }, r.text)
    })
    return `${b.type === 'heading' ? `h${b.attrs.level}` : 'p'}:${words.join('')}`
  }
  const read = pastedText(html)
  if (read) richTextSchema.parse(read)
  return read?.content.map(block) ?? []
}

// What programs put on the clipboard, written down from memory of their usual markup (common practice, no source).
test.each([
  [
    'a browser',
    '<meta charset="utf-8"><span style="color:#f00;font-size:30px">Hello <b>you</b></span>',
    ['p:Hello *you*'],
  ],
  [
    'an office in the web',
    '<b style="font-weight:normal" id="x"><p dir="ltr"><span style="font-weight:700;color:#333">Bold</span><span> and </span><span style="font-style:italic">slanted</span></p><ul><li dir="ltr"><p><span>one</span></p></li><ul><li><p>deep</p></li></ul><li><p>two</p></li></ul></b>',
    ['p:*Bold* and _slanted_', 'ul(one ul(deep)|two)'],
  ],
  [
    'a word processor',
    '<p class=MsoListParagraph style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">1.<span>&nbsp;&nbsp;</span></span>first</p><p style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">2.</span>second<o:p></o:p></p><p class=MsoNormal>E=mc<span style="vertical-align:super">2</span></p>',
    ['ol(first|second)', 'p:E=mc^2^'],
  ],
  [
    'a page',
    '<h2><a href="https://a.example/x">Title</a></h2><div>words<br>below<p>apart</p></div><img src="x" alt="no"><table><tr><td>a</td><td><i>b</i></td></tr></table><h5>small</h5><blockquote>said</blockquote>',
    ['h2:[Title]', 'p:words/below', 'p:apart', 'p:a', 'p:_b_', 'h3:small', 'quote(p:said)'],
  ],
  [
    'somebody hostile',
    '<script>alert(1)</script><a href="javascript:alert(1)">a</a> <a href="#x">b</a> <a href="/rel">c</a><style>p{}</style><svg><text>d</text></svg><p style="display:none">e</p>',
    ['p:a b c'],
  ],
  ['nobody', '<p> </p><div><br></div>', []],
])('what %s pastes', (_, html, blocks) => expect(short(html)).toEqual(blocks))

test('whatever is pasted, what comes of it can be kept', () => {
  const tag = fc.constantFrom(
    'p',
    'b',
    'ul',
    'ol',
    'li',
    'h1',
    'td',
    'table',
    'a href="https://a.example"',
    'blockquote',
    'span style="font-weight:bold"',
  )
  const part = fc.oneof(
    fc.string(),
    tag.map((t) => `<${t}>`),
    tag.map((t) => `</${t.split(' ')[0]}>`),
  )
  fc.assert(
    fc.property(fc.array(part, { maxLength: 30 }), (parts) => {
      const read = pastedText(parts.join(''))
      if (read) expect(richTextSchema.safeParse(read).success).toBe(true)
    }),
  )
})
