import { fromHtml } from 'hast-util-from-html'
import { select, selectAll } from 'hast-util-select'
import { house, longEmail } from '@/test-support/emails'
import { letters, motionOf, ref } from '@/test-support/motion'
import { compile, type CompileOptions } from '../../compile'
import { applyEdit } from '../../email/edits'
import type { TileOf } from '../../email/tile'
import type { FilmMade } from '../../motion/made'
import type { Countdown } from '../../motion/countdown/schema'
import { newTile } from '..'

const src = ({ id }: { id: string }) => `https://pictures.example/${id.slice(0, 1)}.gif`

function html(set: Partial<TileOf<'picture'>>, options: Partial<CompileOptions> = {}) {
  const tile = {
    ...newTile('picture'),
    id: 't',
    picture: ref('a', 600, 300),
    alt: 'It moves',
    ...set,
  } as TileOf<'picture'>
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  return fromHtml(compile(email, house, { src, ...options }))
}

const countdown: Countdown = {
  kind: 'countdown',
  until: { kind: 'moment', at: '2026-12-04T22:00', zone: 'Europe/London' },
  units: ['days', 'hours'],
  labels: { days: 'days', hours: 'hours', minutes: '', seconds: '' },
  face: 'sans',
  colors: { digits: '#ffffff', labels: '#ffffff', ground: '#000000', box: null },
  radius: 0,
  over: '',
  server: '',
}

describe('a countdown', () => {
  const pictures = (made: Countdown, options?: Partial<CompileOptions>) => {
    const tree = html({ motion: motionOf(made) }, options)
    return {
      img: String(select('img[alt="It moves"]', tree)!.properties.src),
      night: select('source[media*=dark]', tree)?.properties.srcSet?.toString(),
      still: select('source[media*=reduced-motion]', tree)?.properties.srcSet?.toString(),
    }
  }
  test('leaves as its still where nobody answers, and asks its server where there is one', () => {
    expect(pictures(countdown).img).toBe('https://pictures.example/a.gif')
    expect(pictures({ ...countdown, server: 'https://count.example/c.gif' }).img).toMatch(
      /^https:\/\/count\.example\/c\.gif\?to=2026-12-04T22%3A00&in=Europe%2FLondon&w=\d+&h=60&u=dh&/,
    )
    expect(pictures({ ...countdown, server: 'https://count.example/?a=1' }).img).toContain('/?a=1&to=')
  })
  test('is live in lenses, whatever its server', () => {
    const live = { countdowns: '/api/countdown' }
    expect(pictures({ ...countdown, server: 'https://count.example/' }, live).img).toMatch(
      /^\/api\/countdown\?to=/,
    )
  })
  test('has its own colours at night', () => {
    const night = { ...countdown.colors, digits: '#ffcc00' }
    const made = { ...countdown, server: 'https://count.example/', night }
    expect(pictures(made).night).toContain('c=ffcc00')
    expect(pictures(made).img).toContain('c=ffffff')
    expect(pictures(countdown).night).toBeUndefined()
  })
  test('stands still with its date for people who ask for less motion', () => {
    const made = { ...countdown, server: 'https://count.example/' }
    expect(pictures(made).still).toBe('https://pictures.example/a.gif')
    // What leaves as a still is one for everybody.
    expect(pictures(countdown).still).toBeUndefined()
  })
  test('leaves the field that tells recipients apart to the platform', () => {
    const span = { kind: 'span' as const, seconds: 3600, field: 'reader_id' }
    const made = { ...countdown, until: span, server: 'https://count.example/' }
    expect(pictures(made, { fields: ({ name }) => `{{${name}}}` }).img).toMatch(/&key=\{\{reader_id\}\}$/)
  })
})

describe('a film', () => {
  const film: FilmMade = {
    kind: 'film',
    film: { id: '0'.repeat(64), type: 'video/mp4', name: 'f.mp4', bytes: 9 },
    width: 640,
    height: 360,
    clips: [{ from: 0, to: 1000, area: { x: 0.5, y: 0.5, w: 1 } }],
    captions: [],
    letters,
    plate: '#000000',
    mark: null,
    closing: null,
    beneath: null,
    address: 'https://films.example/f.mp4',
  }
  test('plays where readers can, with its moving picture for the others and as its poster', () => {
    const tree = html({ motion: motionOf(film) })
    const video = select('video', tree)!
    expect(video.properties).toMatchObject({
      controls: true,
      muted: true,
      poster: 'https://pictures.example/a.gif',
    })
    expect(select('video > source', tree)!.properties).toMatchObject({ src: film.address, type: 'video/mp4' })
    expect(select('video img', tree)!.properties.alt).toBe('It moves')
  })
  test('within a link it has no buttons of its own', () => {
    const tree = html({ motion: motionOf(film), link: 'https://films.example/' })
    expect(select('a > video', tree)!.properties.controls).toBeFalsy()
    expect(selectAll('a a, a button', tree)).toEqual([])
  })
  test('hosted nowhere, it is its moving picture alone', () => {
    for (const address of ['', 'films.example/f.mp4', 'javascript:alert(1)'])
      expect(select('video', html({ motion: motionOf({ ...film, address }) }))).toBeUndefined()
  })
})
