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
    'p{color:#111111}',
    'p{color:#224466;font-family:Arial}',
  ])
  expect(found.texts[0]!.value).toBe('#224466')
  expect(found.fonts[0]).toMatchObject({ value: 'Arial', safe: 'sans' })
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
