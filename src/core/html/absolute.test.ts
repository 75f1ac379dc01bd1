import { withAbsolute } from './absolute'

const base = 'https://news.halden.example/2027/winter/index.html?of=1'

test('what is named relatively is named by where it stood; the rest stays to the byte', () => {
  const html = `<!DOCTYPE html>\r\n<BODY background=../ground.gif><img alt="a > b" SRC='img/a b.png?x=1&amp;y=2'>\n<a href="/timetable">Times</a><a href="#top">Top</a><a href="mailto:a@b.example">Write</a><a href="[[unsubscribe]]">Leave</a><a href="https://other.example/">Other</a><img src="//cdn.example/c.png"><img src="">`
  expect(withAbsolute(html, base)).toBe(
    `<!DOCTYPE html>\r\n<BODY background="https://news.halden.example/2027/ground.gif"><img alt="a > b" src="https://news.halden.example/2027/winter/img/a%20b.png?x=1&amp;y=2">\n<a href="https://news.halden.example/timetable">Times</a><a href="#top">Top</a><a href="mailto:a@b.example">Write</a><a href="[[unsubscribe]]">Leave</a><a href="https://other.example/">Other</a><img src="https://cdn.example/c.png"><img src="">`,
  )
})

test('what stands in conditions for the Word engine is told too, and what is no markup is left alone', () => {
  const html = `<!--[if mso]><v:fill src="g.png"/><![endif]--><style>a[href="x"]{}</style><p>src="y"</p>`
  expect(withAbsolute(html, base)).toBe(
    html.replace('src="g.png"', 'src="https://news.halden.example/2027/winter/g.png"'),
  )
})
