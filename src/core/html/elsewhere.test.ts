import { elsewhereIn } from './elsewhere'

test.each([
  ['<img src="https://a.example/x.png"><IMG SRC=//B.example/y>', ['a.example', 'b.example']],
  [
    '<img srcset="/own 1x, https://c.example/2 2x"><td background="http://d.example/">',
    ['c.example', 'd.example'],
  ],
  [
    '<link rel="stylesheet" href="https://e.example/s.css"><script src="https://f.example/"></script>',
    ['e.example', 'f.example'],
  ],
  [
    '<style>@import "https://g.example/"; p{background:url( \'//h.example/i\')}</style>',
    ['g.example', 'h.example'],
  ],
  [
    '<a href="https://link.example">a link loads nothing</a><img src="/api/pictures/1"><p title="https://x.example">',
    [],
  ],
  ['<img src="blob:http://127.0.0.1:4310/x"><img src="data:image/png;base64,//a">', []],
  ['<!-- <img src="https://comment.example/x"> -->', []],
])('%s loads from %j', (html, hosts) => expect(elsewhereIn(html)).toEqual(hosts))
