import fc from 'fast-check'
import { ampErrors, checkAmp } from '@/test-support/amp'
import { support } from '@/test-support/readers'
import { hintsOf } from '../readers/hints'
import { interactiveSupport, sharesOf, versionIn } from '../readers/versions'
import { answersAddress, pictureAddress, pictureAt, standinPath } from './addresses'
import { answersCsv, counted } from './answers'
import { actionsOf, evaluate, merged } from './expression'
import { rowsOf, valueAt, whyNoList } from './list'
import { mended, mends, withScripts, type Mend } from './mends'
import { asked, refusals, refusedAddress, refusedStatus, whyStatic, type Asking, type Came } from './reader'
import { explained } from './reasons'
import { stillOf } from './still'
import { newTile } from '../tiles'

describe('expressions, by the worked cases of the documentation of amp-bind', () => {
  test.each<[string, Record<string, unknown>, unknown]>([
    // "Hello " + foo, isButtonDisabled, ternaries and lists: amp-bind, "Examples" of expressions.
    ["'Hello ' + foo", { foo: 'World' }, 'Hello World'],
    ['isButtonDisabled ? false : true', { isButtonDisabled: true }, false],
    ['foo.bar.length', { foo: { bar: [1, 2, 3] } }, 3],
    ["kitten.image || 'none'", {}, 'none'],
    ['[1, 2].includes(2)', {}, true],
    ["{a: 1, b: 'x'}.b", {}, 'x'],
    ['a == null', {}, true],
    ["(i_t==null?'0':i_t)!='1'", { i_t: '1' }, false],
    ["(q0=='1'?1:0)+(q1=='0'?1:0)>=2", { q0: '1', q1: '0' }, true],
    ['-a * 2 % 3', { a: 4 }, -2],
    ['!a && b', { a: false, b: 'x' }, 'x'],
  ])('%s', (expression, scope, value) => expect(evaluate(expression, scope)).toEqual(value))

  test('what a prototype has is out of reach, and so is what is not an expression', () => {
    expect(evaluate('a.constructor', { a: {} })).toBeUndefined()
    expect(evaluate("a['__proto__']", { a: {} })).toBeUndefined()
    for (const bad of ['a()', 'a.constructor()', 'x => 1', 'a = 1', 'new A()', 'a.map(b)'])
      expect(() => evaluate(bad, { a: [1] })).toThrow()
    expect(() => evaluate('a +', {})).toThrow()
  })

  test('an expression has at most 250 parts', () => {
    expect(evaluate(Array(100).fill('1').join('+'), {})).toBe(100)
    expect(() => evaluate(Array(300).fill('1').join('+'), {})).toThrow('250')
  })

  test('states are merged object by object; lists and values are replaced', () => {
    expect(merged({ a: { x: 1, y: [1] }, b: 2 }, { a: { y: [2] }, c: 3 })).toEqual({
      a: { x: 1, y: [2] },
      b: 2,
      c: 3,
    })
  })

  test('actions are read with their arguments', () => {
    expect(actionsOf("tap:AMP.setState({a: 'x,y;z'}),box.hide; submit-success:done.show")).toEqual([
      { event: 'tap', target: 'AMP', method: 'setState', args: "{a: 'x,y;z'}" },
      { event: 'tap', target: 'box', method: 'hide', args: '' },
      { event: 'submit-success', target: 'done', method: 'show', args: '' },
    ])
    expect(actionsOf('nothing')).toEqual([])
  })
})

describe('a reader takes an answer only with the headers of the standard (AMP for Email, "CORS in AMP for Email")', () => {
  const two: Asking = { version: 2, sender: 'a@b.example', origin: 'https://reader.example' }
  const one: Asking = { ...two, version: 1 }
  const json = { 'content-type': 'application/json' }
  const came = (headers: Record<string, string>, more: Partial<Came> = {}): Came => ({
    status: 200,
    headers: { ...json, ...headers },
    body: '{}',
    ...more,
  })
  const good = {
    'access-control-allow-origin': 'https://reader.example',
    'amp-access-control-allow-source-origin': 'a@b.example',
    'access-control-expose-headers': 'AMP-Access-Control-Allow-Source-Origin',
  }
  test.each<[string, Asking, Came, RegExp[]]>([
    ['version 2, the sender', two, came({ 'amp-email-allow-sender': 'a@b.example' }), []],
    ['version 2, all senders', two, came({ 'amp-email-allow-sender': '*' }), []],
    ['version 2, nothing said', two, came({}), [/AMP-Email-Allow-Sender is missing/]],
    ['version 2, another', two, came({ 'amp-email-allow-sender': 'c@d.example' }), [/the sender is a@b/]],
    ['version 1', one, came(good), []],
    [
      'version 1, nothing',
      one,
      came({}),
      [/Allow-Origin is missing/, /Source-Origin is missing/, /Expose-Headers/],
    ],
    ['a redirect', two, came({ 'amp-email-allow-sender': '*' }, { status: 302 }), [/redirect \(302\)/]],
    [
      'no JSON',
      two,
      came({ 'amp-email-allow-sender': '*', 'content-type': 'text/html' }, { body: '<p>' }),
      [/JSON only/],
    ],
    ['broken JSON', two, came({ 'amp-email-allow-sender': '*' }, { body: '{' }), [/not valid JSON/]],
  ])('%s', (_, asking, answer, said) => {
    const refused = refusals(asking, answer)
    expect(refused).toHaveLength(said.length)
    said.forEach((s, i) => expect(refused[i]).toMatch(s))
  })

  test('how it asks: a header in version 2, the reader and the sender in version 1', () => {
    expect(asked('https://a.example/x', two)).toEqual({
      url: 'https://a.example/x',
      headers: { 'amp-email-sender': 'a@b.example' },
    })
    const v1 = asked('https://a.example/x?y=1', one)
    expect(new URL(v1.url).searchParams.get('__amp_source_origin')).toBe('a@b.example')
    expect(v1.headers).toEqual({ origin: 'https://reader.example' })
  })

  test('only whole https addresses are asked', () => {
    expect(refusedAddress('https://a.example/')).toBeNull()
    expect(refusedAddress('http://a.example/')).toMatch(/https/)
    expect(refusedAddress('/x')).toMatch(/whole/)
    expect(refusedAddress('https://u:p@a.example/')).toMatch(/password/)
  })
})

test('an AMP part is shown when all is so, and each thing that is not is said', () => {
  const all = {
    amp: true,
    html: true,
    dynamic: true,
    sent: 0,
    now: 30.9 * 86_400_000,
    order: ['text/plain', 'text/x-amp-html', 'text/html'],
    errors: [],
  }
  expect(whyStatic(all)).toEqual([])
  expect(whyStatic({ ...all, amp: false })).toHaveLength(1)
  expect(whyStatic({ ...all, now: 32 * 86_400_000 }).join()).toMatch(/32 days ago.*31 days/)
  expect(whyStatic({ ...all, html: false }).join()).toMatch(/HTML part/)
  expect(whyStatic({ ...all, dynamic: false }).join()).toMatch(/not switched on/)
  expect(whyStatic({ ...all, order: ['text/plain', 'text/html', 'text/x-amp-html'] }).join()).toMatch(
    /after the HTML/,
  )
  expect(whyStatic({ ...all, errors: ['x'] }).join()).toMatch(/1 error/)
})

describe('what the validator says of a text is mended in a press each', () => {
  const page = (body: string, css = '') =>
    `<!doctype html>\n<html amp4email data-css-strict>\n<head>\n<meta charset="utf-8">\n<script async src="https://cdn.ampproject.org/v0.js"></script>\n<style amp4email-boilerplate>body{visibility:hidden}</style>\n<style amp-custom>${css}</style>\n</head>\n<body>${body}</body>\n</html>`
  const form = 'method="post" action-xhr="https://a.example/x"'
  test.each<[Mend, string]>([
    ['form-target', withScripts(page(`<form ${form} target="_blank"></form>`))],
    ['form-action', withScripts(page('<form action="http://a.example/x?a=1&amp;b=2"></form>'))],
    ['form-action', withScripts(page(`<form ${form} action='https://a.example/y'></form>`))],
    [
      'img',
      page(
        '<img src="https://a.example/a.png" alt="a"><img src="https://a.example/b.png" width=10 height=5 alt="b"/>',
      ),
    ],
    ['script-lines', page('<amp-accordion><section><h3>a</h3><div>b</div></section></amp-accordion>')],
    [
      'script-lines',
      page(`<form ${form}><div submit-success><template type="amp-mustache">x</template></div></form>`),
    ],
    ['important', page('<p style="color:red !important">a</p>', 'p{color:red!important}')],
    ['relative', page('<a href="/x">a</a><a href=\'#b\'>b</a>')],
    ['http', withScripts(page('<form method="post" action-xhr="http://a.example/x"></form>'))],
    ['scripts', page('<script>alert(1)</script><p>a</p>')],
    ['frame', '<p>only words</p>'],
  ])('%s', async (mend, html) => {
    expect(await ampErrors(html)).not.toEqual([])
    expect(await ampErrors(mended(html, mend))).toEqual([])
  })

  test.each<[Mend, string, string]>([
    ['attribute', 'onclick', page('<p onclick="a()">x</p>')],
    ['attribute', 'contenteditable', page('<p contenteditable>x</p>')],
    [
      'attribute',
      'background',
      page('<table background="https://a.example/a.png"><tr><td>x</td></tr></table>'),
    ],
    ['attribute', 'target', page('<a href="https://a.example" target="_top">x</a>')],
    [
      'element',
      'amp-video',
      page('<amp-video width="1" height="1" src="https://a.example/a.mp4"></amp-video>'),
    ],
    ['element', 'iframe', page('<iframe src="https://a.example"></iframe><p>x</p>')],
    ['sizes', '', page('<amp-img src="https://a.example/a.png" alt=""></amp-img>')],
  ])('%s of %s', async (mend, of, html) => {
    const [first] = (await checkAmp(html)).messages
    expect([first!.mend, first!.of ?? '']).toEqual([mend, of])
    expect(first!.why).toContain(of)
    expect(await ampErrors(mended(html, mend, of))).toEqual([])
  })

  test.each([
    ['BROKEN_EXPRESSION', '<p [text]="a +">x</p>'],
    ['BROKEN_EXPRESSION', '<button on="tap:AMP.setState({a:})">x</button>'],
    [
      'LIST_WITHOUT_TEMPLATE',
      '<amp-list width="300" height="100" src="https://a.example/l.json"></amp-list>',
    ],
    ['SAME_ID', '<p id="a">1</p>\n<p id="a">2</p>'],
  ])('what the validator lets pass: %s', async (code, body) => {
    const { pass, messages } = await checkAmp(withScripts(page(body)))
    expect(pass).toBe(false)
    expect(messages.map((m) => m.code)).toContain(code)
    expect(messages.find((m) => m.code === code)!.line).toBeGreaterThan(5)
  })
  test('a sheet and a document that are too long say by how much', async () => {
    const of = async (html: string) => (await checkAmp(html)).messages[0]!.why
    expect(await of(page('<p>x</p>', 'p{color:red}'.repeat(8000)))).toMatch(/96000 bytes, and 75,000/)
    expect(await of(page(`<p>${'x'.repeat(210_000)}</p>`))).toMatch(/2\d{5} bytes, and 200,000/)
    const data = '<amp-state id="s"><script type="application/json">{a:1}</script></amp-state>'
    expect(await of(withScripts(page(data)))).toMatch(/no JSON/)
  })

  test('what is right is left as it is', () => {
    const good = withScripts(
      page(
        `<form ${form}><p>a</p></form><amp-img src="https://a.example/a" width="1" height="1" alt=""></amp-img>`,
      ),
    )
    for (const mend of Object.keys(mends) as Mend[])
      if (mend !== 'frame') expect(mended(good, mend)).toBe(good)
  })

  test('mending never throws, whatever is written', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 200 }),
        fc.constantFrom(...(Object.keys(mends) as Mend[])),
        (html, mend) => {
          expect(typeof mended(`<form ${html}><img ${html}>`, mend, html)).toBe('string')
        },
      ),
    )
  })

  test('its messages are said in plain words', () => {
    const of = (code: string, message: string) =>
      explained({ severity: 'ERROR', line: 1, col: 0, code, message })
    expect(of('DISALLOWED_ATTR', "The attribute 'target' may not appear in tag 'form'.").mend).toBe(
      'form-target',
    )
    expect(of('DISALLOWED_TAG', "The tag 'img' is disallowed.").mend).toBe('img')
    expect(of('SOMETHING_NEW', 'x')).toMatchObject({
      mend: null,
      why: expect.stringContaining('standard') as string,
    })
  })
})

// OWASP, "CSV Injection": what begins with one of these is taken for a formula, also by their wide forms.
test.each(['=1+1', '+1', '-1', '@sum(a1)', '\tx', '\rx', '\nx', '\uff1d1', '\uff0b1', '\uff0d1', '\uff20a'])(
  'a cell that begins like %j is no formula',
  (said) => {
    const csv = answersCsv([{ at: 'now', sender: '', fields: [['why', said]] }])
    const cell = csv.split('now,,')[1]!
    expect(cell.replace(/^"/, '').startsWith("'")).toBe(true)
  },
)

test('answers are counted, scales in their order, and written out as CSV without formulas', () => {
  const answers = [
    {
      at: '2026-11-27T08:00:00Z',
      sender: 'a@b.example',
      fields: [
        ['stars', '5'],
        ['why', '=1+1'],
      ] as const,
    },
    {
      at: '2026-11-27T08:01:00Z',
      sender: '',
      fields: [
        ['stars', '3'],
        ['why', 'it, "was"'],
      ] as const,
    },
    { at: '2026-11-27T08:02:00Z', sender: '', fields: [['stars', '3']] as const },
  ]
  expect(counted(answers)[0]).toEqual({
    name: 'stars',
    values: [
      { label: '5', count: 1, percent: 33 },
      { label: '3', count: 2, percent: 67 },
    ],
  })
  expect(answersCsv(answers).split('\r\n')).toEqual([
    'at,sender,stars,why',
    "2026-11-27T08:00:00Z,a@b.example,5,'=1+1",
    '2026-11-27T08:01:00Z,,3,"it, ""was"""',
    '2026-11-27T08:02:00Z,,3,',
    '',
  ])
  const words = Array.from({ length: 13 }, (_, i) => ({
    at: '',
    sender: '',
    fields: [['said', `x${i}`]] as const,
  }))
  expect(counted(words)).toEqual([])
})

test('a live list keeps the lines that its JSON has, and nothing that leads astray', () => {
  const tile = { ...newTile('live'), items: 'data.items', most: 2 }
  const body = JSON.stringify({
    data: {
      items: [
        { title: 'One', text: 'x', price: 3, link: 'https://a.example' },
        { title: { no: 1 }, link: 'javascript:alert(1)' },
        { title: 'Three' },
      ],
    },
  })
  expect(rowsOf(body, tile)).toEqual([
    { title: 'One', text: 'x', price: '3', link: 'https://a.example' },
    { title: '', text: '', price: '', link: '' },
  ])
  expect(rowsOf('{', tile)).toEqual([])
  expect(valueAt({ a: {} }, '__proto__.x')).toBeUndefined()
})

test('addresses of the stand-ins lead to them, others do not', () => {
  expect(standinPath(answersAddress('a form'))).toBe('/a%20form')
  expect(standinPath('https://elsewhere.example/x')).toBeNull()
  expect(pictureAt(pictureAddress('abc'))).toBe('abc')
  expect(pictureAt('https://elsewhere.example/abc')).toBeNull()
})

test('a reader without :checked and :hover loses these rules and no other', () => {
  expect(stillOf('a{b:c}\n.x:checked~.y{d:e}\n.z:hover{f:g}\n.w{h:i}')).toBe('a{b:c}\n.w{h:i}')
})

describe('which version is seen where, by the open data set', () => {
  const readers = interactiveSupport(support)
  const of = (name: string) => readers.find((r) => r.name === name)!
  test('facts of the data set: AMP in one webmail, checked boxes in Apple’s, neither in the Word engine', () => {
    const all = { amp: true, live: true, form: false }
    expect(versionIn(of('Gmail, web'), all)).toBe('amp')
    expect(versionIn(of('Apple Mail, iOS'), all)).toBe('live')
    expect(versionIn(of('Outlook, Windows (Word engine)'), all)).toBe('still')
    expect(versionIn(of('Gmail, web'), { ...all, amp: false })).toBe('still')
    expect(versionIn(of('Apple Mail, iOS'), { ...all, live: false })).toBe('still')
  })
  test('shares come from a CSV in several writings', () => {
    const { shares, unknown } = sharesOf('reader;share\n"Gmail, web";31 %\nApple Mail, iOS;0.4\nPigeon;3\n')
    expect(unknown).toEqual(['Pigeon'])
    expect(shares).toContainEqual({ reader: 'Gmail, web', share: 0.31 })
    const gmail = sharesOf('Gmail,30').shares
    expect(gmail).toHaveLength(3)
    expect(gmail.reduce((a, s) => a + s.share, 0)).toBeCloseTo(0.3)
  })
  test('code is hinted at, at its line', () => {
    const hints = hintsOf('<p>a</p>\n<p style="display:flex">b</p>', '.a{\n  position:sticky\n}', support)
    expect(hints.map((h) => [h.of, h.line])).toEqual(
      expect.arrayContaining([
        ['html', 2],
        ['css', 2],
      ]),
    )
    for (const h of hints) expect(h.readers.length).toBeGreaterThan(0)
  })
})

test('where several may be chosen, people are counted, not choices', () => {
  const answer = (...values: string[]) => ({
    at: '',
    sender: '',
    fields: values.map((v) => ['way', v] as const),
  })
  const [way] = counted([answer('bus', 'train'), answer('bus'), answer('bus', 'foot'), answer('train')])
  expect(way!.values.map((v) => [v.label, v.count, v.percent])).toEqual([
    ['bus', 3, 75],
    ['train', 2, 50],
    ['foot', 1, 25],
  ])
})

test.each([
  ['{"items":[{"a":1}]}', 'items', false, null],
  ['[1]', '', false, null],
  ['[1]', '.', false, null],
  ['{"items":{"a":1}}', 'items', true, null],
  ['{', 'items', false, /not valid JSON/],
  [
    '{"data":{"list":[1]},"total":3}',
    'items',
    false,
    /nothing\. It answered "data" \(an object\), "total" \(a number\)/,
  ],
  ['{"items":{"a":1}}', 'items', false, /stands an object, and a list is wanted \(or "single-item"/],
  ['{"items":"soon"}', 'items', false, /stands a text, and a list is wanted\.$/],
  ['{"items":[]}', 'items', false, /without entries/],
  ['{}', 'items', false, /an empty object/],
  ['7', '', false, /stands a number/],
])('a list of %s at "%s", single %s', (body, path, single, why) => {
  const said = whyNoList(body, path, single)
  if (why) expect(said).toMatch(why)
  else expect(said).toBeNull()
})

test.each([
  [200, null],
  [204, null],
  [503, /overloaded or being mended/],
  [404, /nothing at this address/],
  [418, /answered 418\. Readers/],
])('a list answered with %i', (status, why) => {
  const said = refusedStatus(status)
  if (why) expect(said).toMatch(why)
  else expect(said).toBeNull()
})
