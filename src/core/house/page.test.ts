import { readFileSync } from 'node:fs'
import { pageStyle } from './page'

const page = `<html><head><style>:root{--brand:#b4572f}body{background:#faf5ea;color:#333;font-family:"Young Serif",Georgia,serif}a{color:var(--brand)}.btn{background:var(--brand);color:#fff;padding:14px 30px;border-radius:6px}header img{width:40px}footer{background:#2b2a24;color:#cccccc}</style></head>
<body><header><img src="/img/leaf-logo.svg" alt="Fennmoor"></header><p>Four hundred kinds of seed, dried and counted over the winter. <a href="/x">Read on about them</a></p><a class="btn" href="/go">Look in the drawers</a><script>document.body.style.background='red'</script><footer><p>Small print of the library</p></footer></body></html>`

test('a page says its grounds, words, links, buttons, fonts and logo', () => {
  const found = pageStyle(page, [], 'https://fennmoor.example/seeds/')
  expect(found.backgrounds[0]!.value).toBe('#faf5ea')
  expect(found.backgrounds.map((b) => b.value)).toContain('#2b2a24')
  expect(found.texts.map((t) => t.value)).toEqual(['#333333', '#cccccc'])
  expect(found.links[0]!.value).toBe('#b4572f')
  expect(found.buttons[0]!.value).toEqual({
    background: '#b4572f',
    color: '#ffffff',
    radius: 6,
    padX: 30,
    padY: 14,
    label: 'Look in the drawers',
  })
  expect(found.fonts[0]).toMatchObject({ value: 'Young Serif', safe: 'serif' })
  expect(found.logos[0]).toEqual({
    src: 'https://fennmoor.example/img/leaf-logo.svg',
    alt: 'Fennmoor',
    why: 'named as one',
  })
})

test('style sheets beside the page count, and a later rule of one weight prevails', () => {
  const found = pageStyle('<body><p>Some words here</p></body>', [
    { css: 'p{color:#111111}' },
    { css: 'p{color:#224466;font-family:Arial}' },
  ])
  expect(found.texts[0]!.value).toBe('#224466')
  expect(found.fonts[0]).toMatchObject({ value: 'Arial', safe: 'sans' })
})

test('sheets prevail in the order of the page, whatever came first; the framework gives way to what the page says after it', () => {
  const html =
    '<head><link rel="stylesheet" href="css/z-frame.css"><style>p{letter-spacing:0}</style><link rel="stylesheet" href="css/app.css"></head><body><p>Some words of the house</p><a class="btn" href="/x">Go there now</a></body>'
  const own = {
    href: 'css/app.css',
    css: 'p{color:#224466}.btn{background:#8a1f4f;color:#fffdf8;padding:10px 20px}',
  }
  const frame = {
    href: 'css/z-frame.css',
    css: 'p{color:#212529}.btn{background:#0d6efd;color:#ffffff;padding:6px 12px}.btn-info{background:#0dcaf0}',
  }
  for (const sheets of [
    [own, frame],
    [frame, own],
  ]) {
    const found = pageStyle(html, sheets)
    expect(found.texts[0]!.value).toBe('#224466')
    // What is only defined is no button of the page.
    expect(found.buttons.map((b) => b.value.background)).toEqual(['#8a1f4f'])
  }
  const turned = html.replace('z-frame', 'x').replace('app', 'z-frame').replace('css/x', 'css/app')
  expect(pageStyle(turned, [own, frame]).texts[0]!.value).toBe('#212529')
})

// CSS Fonts 4, 2.7: size, and line height behind a stroke, before the families; later longhands prevail.
test.each([
  ['font:italic 600 17px/1.5 "Young Serif", Georgia, serif', 'Young Serif'],
  ['font:700 clamp(1rem, 2vw, 2rem) / 1.2 Karla,sans-serif', 'Karla'],
  ['font:16px Arial;font-family:Karla', 'Karla'],
  ['font-family:Karla;font:16px Arial', 'Arial'],
  ['font:var(--body)', 'Rubik'],
])('%s', (css, family) => {
  const html = `<style>:root{--body:400 16px Rubik, sans-serif}p{color:#333333;${css}}</style><p>Words of a page</p>`
  expect(pageStyle(html).fonts[0]!.value).toBe(family)
})

test('a logo drawn in the page is a file of its own: in the colours of the page, with nothing that runs', () => {
  const html =
    '<style>.mark{color:#8a1f4f}</style><header><a class="mark" href="/"><svg viewBox="0 0 40 20" onload="alert(1)" aria-label="Fennmoor"><script>alert(2)</script><path fill="currentColor" d="M0 0h40v20z"/><foreignObject><b>x</b></foreignObject></svg></a><svg class="icon"><use href="#menu"/></svg></header><p>Words</p>'
  const { logos } = pageStyle(html)
  expect(logos).toHaveLength(1)
  expect(logos[0]).toMatchObject({ alt: 'Fennmoor', why: 'stands in the header' })
  const svg = decodeURIComponent(logos[0]!.src.slice('data:image/svg+xml,'.length))
  expect(svg).toContain('fill="#8a1f4f"')
  expect(svg).toContain('viewBox="0 0 40 20"')
  expect(svg).not.toMatch(/script|onload|foreign/i)
  expect(
    pageStyle(
      '<style>.logo{background:url(/i/mark.png)}</style><a class="logo" href="/"></a>',
      [],
      'https://a.example/',
    ).logos[0]!.src,
  ).toBe('https://a.example/i/mark.png')
})

test.each([
  '',
  '<',
  '<a href="javascript:alert(1)"><img src="javascript:alert(1)" alt="logo"></a>',
  '<style>a{color:</style><a>x',
  '<div style="background:url(x)">y',
])('odd markup is read without a fault: %s', (html) => {
  expect(pageStyle(html).logos).toEqual([])
})

/* Pages whose looks are known, made up; the first on the style sheet of a widely used framework, as its package has it. */
const framework = readFileSync('node_modules/bootstrap/dist/css/bootstrap.css', 'utf8')
const pages: [name: string, html: string, sheets: string[], truth: object][] = [
  [
    'a framework, with its colours set by custom properties on the element',
    `<body><nav class="navbar"><a class="nav-link" href="/a">Nights</a><a class="nav-link" href="/b">The way up to the dome</a></nav><main class="container"><p>The dome opens at nine, and <a href="/c">the path is lit</a> until midnight.</p><a class="btn btn-success btn-lg" href="/d">Keep a place</a></main></body>`,
    [framework],
    { link: '#0d6efd', button: { background: '#198754', color: '#ffffff', radius: 8, padX: 16, padY: 8 } },
  ],
  [
    'properties changed below the root count there alone',
    `<style>:root{--ink:#222222;--link:#1f4f8a}.night{--ink:#eeeeee;--link:#e8a33d;background:#12161d}p{color:var(--ink)}a{color:var(--link)}.go{--bg:#b4452f;background:var(--bg);color:#ffffff;padding:12px 24px;border-radius:4px}</style><body><section class="night"><p>The words of the night are many more than those of the day, as <a href="/a">everyone knows who was there</a> and stayed.</p></section><p>Few by day.</p><a class="go" href="/b">Go</a></body>`,
    [],
    {
      text: '#eeeeee',
      link: '#e8a33d',
      button: { background: '#b4452f', color: '#ffffff', radius: 4, padX: 24, padY: 12 },
    },
  ],
  [
    'a property made of others, with what stands in for one that is not set',
    `<style>:root{--hue:#2b7a68;--main:var(--hue);--none:var(--missing, #f4efe6)}body{background:var(--none);color:#333333}a{color:var(--main)}button{background:var(--main);color:var(--paper, #fffdf8);padding:10px 20px}</style><body><p>Sow the beans in two rows, says <a href="/x">the old calendar of the moor</a> still.</p><button>Order seeds</button></body>`,
    [],
    {
      background: '#f4efe6',
      link: '#2b7a68',
      button: { background: '#2b7a68', color: '#fffdf8', radius: 0, padX: 20, padY: 10 },
    },
  ],
  [
    'links of menus and footers say less than one in running words',
    `<style>nav a,footer a{color:#777777}p a{color:#8a1f4f}</style><body><nav>${'<a href="/m">A long entry of the menu</a>'.repeat(9)}</nav><p>Breakfast is served from six in <a href="/y">the dining car</a> of the train.</p><footer>${'<a href="/f">Small print of the line</a>'.repeat(9)}</footer></body>`,
    [],
    { link: '#8a1f4f' },
  ],
  [
    'a property that stands for itself is none, and does not hang',
    `<style>:root{--a:var(--b);--b:var(--a)}p{color:var(--a)}h1{color:#224466}</style><body><h1>The timetable of the winter</h1><p>x</p></body>`,
    [],
    { text: '#224466' },
  ],
]

test.each(pages)('%s', (_, html, sheets, truth) => {
  const { backgrounds, texts, links, buttons } = pageStyle(
    html,
    sheets.map((css) => ({ css })),
  )
  const found: Record<string, unknown> = {
    background: backgrounds[0]?.value,
    text: texts[0]?.value,
    link: links[0]?.value,
    button: buttons[0] && Object.fromEntries(Object.entries(buttons[0].value).filter(([k]) => k !== 'label')),
  }
  expect(Object.fromEntries(Object.keys(truth).map((k) => [k, found[k]]))).toEqual(truth)
})
