import { expect, test, type Page } from '@playwright/test'
import { build } from 'esbuild'

/*
 * The stand-in of AMP's runtime, held against worked cases of the documentation of each component (amp.dev, format "email"). The cases are named by the
 * component and the section they are of; from memory, since there is no network here.
 */

let bundled: Promise<string> | undefined
const runtime = (): Promise<string> =>
  (bundled ??= build({
    stdin: {
      contents: `import { run } from './src/ui/interact/runtime'
        window.said = []
        window.asked = []
        window.start = (answers) => {
          window.runtime = run(document, {
            say: (what) => window.said.push(what),
            ask: async (url, method, fields) => {
              window.asked.push({ url, method, fields })
              const a = answers[url]
              if (!a) throw new Error('Nothing answered')
              return { status: 200, refused: [], body: '{}', ...a }
            },
          })
        }`,
      resolveDir: process.cwd(),
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
    tsconfig: 'tsconfig.json',
  }).then((r) => r.outputFiles[0]!.text))

interface Answer {
  status?: number
  refused?: string[]
  body?: string
}

/** A page of AMP with the runtime started in it. */
async function started(page: Page, body: string, answers: Record<string, Answer> = {}): Promise<void> {
  await page.setContent(`<!doctype html><html lang="en"><head></head><body>${body}</body></html>`)
  await page.addScriptTag({ content: await runtime() })
  await page.evaluate((a) => (window as unknown as { start: (a: object) => void }).start(a), answers)
}
const said = (page: Page) => page.evaluate(() => (window as unknown as { said: string[] }).said)
const asked = (page: Page) =>
  page.evaluate(
    () => (window as unknown as { asked: { url: string; method: string; fields: string[][] }[] }).asked,
  )

test.describe('amp-accordion', () => {
  const accordion = (more = '') =>
    `<amp-accordion ${more}><section expanded><h3>One</h3><p>First</p></section><section><h3>Two</h3><p>Second</p></section></amp-accordion>`

  test('"expanded": a section is open at first, the others are closed', async ({ page }) => {
    await started(page, accordion())
    await expect(page.getByText('First')).toBeVisible()
    await expect(page.getByText('Second')).toBeHidden()
    await expect(page.getByRole('button', { name: 'One' })).toHaveAttribute('aria-expanded', 'true')
  })

  test('by itself any number of sections is open', async ({ page }) => {
    await started(page, accordion())
    await page.getByRole('button', { name: 'Two' }).click()
    await expect(page.getByText('First')).toBeVisible()
    await expect(page.getByText('Second')).toBeVisible()
    await page.getByRole('button', { name: 'One' }).press('Space')
    await expect(page.getByText('First')).toBeHidden()
  })

  test('"expand-single-section": opening one closes the others', async ({ page }) => {
    await started(page, accordion('expand-single-section'))
    await page.getByRole('button', { name: 'Two' }).press('Enter')
    await expect(page.getByText('First')).toBeHidden()
    await expect(page.getByText('Second')).toBeVisible()
  })
})

test.describe('amp-selector', () => {
  const options = '<div option="a">A</div><div option="b" selected>B</div><div option="c" disabled>C</div>'

  test('one option is selected at a time, and those that are disabled are not', async ({ page }) => {
    await started(page, `<amp-selector>${options}</amp-selector>`)
    await page.getByText('A', { exact: true }).click()
    await expect(page.locator('[selected]')).toHaveText('A')
    await page.getByText('C', { exact: true }).click()
    await expect(page.locator('[selected]')).toHaveText('A')
    await expect(page.locator('[option=a]')).toHaveAttribute('aria-selected', 'true')
  })

  test('"multiple": several are, and a second press takes one off', async ({ page }) => {
    await started(page, `<amp-selector multiple>${options}</amp-selector>`)
    await page.getByText('A', { exact: true }).click()
    await expect(page.locator('[selected]')).toHaveText(['A', 'B'])
    await page.getByText('B', { exact: true }).click()
    await expect(page.locator('[selected]')).toHaveText(['A'])
  })

  test('"select" says the option, and all of them', async ({ page }) => {
    await started(
      page,
      `<amp-selector multiple on="select:AMP.setState({one: event.targetOption, all: event.selectedOptions})">${options}</amp-selector>
       <p id="one" [text]="one"></p><p id="all" [text]="all.length"></p>`,
    )
    await page.getByText('A', { exact: true }).click()
    await expect(page.locator('#one')).toHaveText('a')
    await expect(page.locator('#all')).toHaveText('2')
  })

  test('arrows go from option to option, keys choose', async ({ page }) => {
    await started(page, `<amp-selector>${options}</amp-selector>`)
    await page.locator('[option=b]').focus()
    await page.keyboard.press('ArrowLeft')
    await expect(page.locator('[option=a]')).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.locator('[selected]')).toHaveText('A')
  })
})

test.describe('amp-bind', () => {
  test('"Hello World": a press sets a state, and what hangs on it follows; before that nothing is evaluated', async ({
    page,
  }) => {
    await started(
      page,
      `<p [text]="'Hello ' + foo">Hello Moon</p><button on="tap:AMP.setState({foo: 'Interactivity'})">Say it</button>`,
    )
    await expect(page.locator('p')).toHaveText('Hello Moon')
    await page.getByRole('button').click()
    await expect(page.locator('p')).toHaveText('Hello Interactivity')
  })

  test('"Initializing state with amp-state", and states merged object by object', async ({ page }) => {
    await started(
      page,
      `<amp-state id="theFood"><script type="application/json">{"name": "Apple", "color": {"peel": "red", "flesh": "white"}}</script></amp-state>
       <p [text]="theFood.name + ' ' + theFood.color.peel + ' ' + theFood.color.flesh"></p>
       <button on="tap:AMP.setState({theFood: {color: {peel: 'green'}}})">Change</button>`,
    )
    await page.getByRole('button').click()
    await expect(page.locator('p')).toHaveText('Apple green white')
  })

  test('[hidden], [class] and other attributes; false takes an attribute away', async ({ page }) => {
    await started(
      page,
      `<p id="a" [hidden]="on" [class]="on ? 'x y' : 'z'" [aria-label]="on && 'said'">A</p>
       <button on="tap:AMP.setState({on: !on})">Turn</button>`,
    )
    const a = page.locator('#a')
    await page.getByRole('button').click()
    await expect(a).toBeHidden()
    await expect(a).toHaveClass('x y')
    await expect(a).toHaveAttribute('aria-label', 'said')
    await page.getByRole('button').click()
    await expect(a).toBeVisible()
    await expect(a).toHaveClass('z')
    await expect(a).not.toHaveAttribute('aria-label')
  })

  test('an expression that is none is said, and the rest goes on', async ({ page }) => {
    await started(
      page,
      `<p id="a" [text]="foo()">A</p><p id="b" [text]="foo">B</p><button on="tap:AMP.setState({foo: 1})">Go</button>`,
    )
    await page.getByRole('button').click()
    await expect(page.locator('#b')).toHaveText('1')
    await expect(page.locator('#a')).toHaveText('A')
    expect((await said(page)).join()).toContain('no such function')
  })
})

test.describe('amp-form and amp-mustache', () => {
  const form = (inside: string) =>
    `<form method="post" action-xhr="https://a.example/take">${inside}<button type="submit">Send</button>
      <div submitting>Wait</div>
      <div submit-success><template type="amp-mustache">Thanks {{name}}: {{#items}}[{{title}}]{{/items}}{{^items}}none{{/items}}</template></div>
      <div submit-error><template type="amp-mustache">Not so, {{name}}</template></div></form>`

  test('"Success/error response rendering": the answer fills the template, escaped', async ({ page }) => {
    await started(page, form('<input name="name" value="a">'), {
      'https://a.example/take': { body: '{"name":"<b>Ada</b>","items":[{"title":"x"},{"title":"y"}]}' },
    })
    await page.getByRole('button').click()
    await expect(page.locator('[submit-success]')).toHaveText('Thanks <b>Ada</b>: [x][y]')
    await expect(page.locator('[submit-success] b')).toHaveCount(0)
    await expect(page.locator('form')).toHaveClass('amp-form-submit-success')
    await expect(page.locator('[submitting], [submit-error]').first()).toBeHidden()
    expect(await asked(page)).toEqual([
      { url: 'https://a.example/take', method: 'POST', fields: [['name', 'a']] },
    ])
  })

  test('what a reader refuses ends in the error, with what was sent as its values', async ({ page }) => {
    await started(page, form('<input name="name" value="Ada">'), {
      'https://a.example/take': { refused: ['The header is missing.'] },
    })
    await page.getByRole('button').click()
    await expect(page.locator('[submit-error]')).toHaveText('Not so, Ada')
    expect(await said(page)).toEqual(['The header is missing.', 'A reader shows: "Not so, Ada"'])
  })

  test('"Input validation": what is required or has a form is asked for before anything is sent', async ({
    page,
  }) => {
    await started(page, form('<input name="name" required><input name="mail" type="email">'), {
      'https://a.example/take': {},
    })
    await page.getByRole('button').click()
    expect(await asked(page)).toEqual([])
    await page.locator('[name=name]').fill('x')
    await page.locator('[name=mail]').fill('no address')
    await page.getByRole('button').click()
    expect(await asked(page)).toEqual([])
    await page.locator('[name=mail]').fill('a@b.example')
    await page.locator('[name=mail]').press('Enter')
    await expect(page.locator('form')).toHaveClass('amp-form-submit-success')
  })

  test('what was chosen in a selector is sent under its name', async ({ page }) => {
    await started(
      page,
      form('<amp-selector name="stars"><div option="1">one</div><div option="2">two</div></amp-selector>'),
      {
        'https://a.example/take': {},
      },
    )
    await page.getByText('two').click()
    await page.getByRole('button').click()
    await expect.poll(async () => (await asked(page))[0]?.fields).toEqual([['stars', '2']])
  })

  test('nothing answers: the error is shown, and why is said', async ({ page }) => {
    await started(page, form('<input name="name" value="Ada">'))
    await page.getByRole('button').click()
    await expect(page.locator('[submit-error]')).toHaveText('Not so, Ada')
    expect(await said(page)).toEqual(['Nothing answered'])
  })
})

test.describe('amp-list', () => {
  const list = (more = '') =>
    `<amp-list src="https://a.example/list.json" layout="fixed-height" height="100" ${more}><template type="amp-mustache"><p>{{title}}</p></template><div fallback>Not there</div></amp-list>`
  const body = JSON.stringify({
    items: [{ title: 'One' }, { title: 'Two' }, { title: 'Three' }],
    data: { list: [{ title: 'Deep' }] },
  })
  const answers = { 'https://a.example/list.json': { body } }

  test('its template for each item of "items", in at least its height', async ({ page }) => {
    await started(page, list(), answers)
    await expect(page.locator('amp-list p')).toHaveText(['One', 'Two', 'Three'])
    await expect(page.locator('amp-list')).toHaveCSS('min-height', '100px')
    await expect(page.getByText('Not there')).toBeHidden()
  })

  test('"items" with a path, and "max-items"', async ({ page }) => {
    await started(page, list('items="data.list"'), answers)
    await expect(page.locator('amp-list p')).toHaveText(['Deep'])
    await started(page, list('max-items="2"'), answers)
    await expect(page.locator('amp-list p')).toHaveText(['One', 'Two'])
  })

  test('"fallback" where it cannot be fetched, or is refused', async ({ page }) => {
    await started(page, list())
    await expect(page.getByText('Not there')).toBeVisible()
    await started(page, list(), { 'https://a.example/list.json': { body, refused: ['No.'] } })
    await expect(page.getByText('Not there')).toBeVisible()
    await expect(page.locator('amp-list p')).toHaveCount(0)
    expect(await said(page)).toEqual(['No.', 'A reader shows: "Not there"'])
  })

  test('a list of another shape: why, and what a reader shows then', async ({ page }) => {
    await started(page, list('items="rows"'), answers)
    await expect(page.getByText('Not there')).toBeVisible()
    expect(await said(page)).toEqual([
      'Under "rows" there is nothing. It answered "items" (a list), "data" (an object).',
      'A reader shows: "Not there"',
    ])
  })
})

test.describe('pictures, slides, times, and what is not known', () => {
  test('amp-img takes the room that its layout gives it', async ({ page }) => {
    await started(
      page,
      `<div style="width:300px"><amp-img src="x" width="600" height="300" layout="responsive" alt="r"></amp-img>
       <amp-img src="x" width="600" height="300" layout="intrinsic" alt="i"></amp-img>
       <amp-img src="x" width="100" height="50" layout="intrinsic" alt="s"></amp-img>
       <amp-img src="x" width="40" height="20" alt="f"></amp-img></div>`,
    )
    const size = async (alt: string) => {
      const box = (await page.locator(`img[alt=${alt}]`).boundingBox())!
      return [Math.round(box.width), Math.round(box.height)]
    }
    expect(await size('r')).toEqual([300, 150])
    expect(await size('i')).toEqual([300, 150])
    expect(await size('s')).toEqual([100, 50])
    expect(await size('f')).toEqual([40, 20])
  })

  test('amp-carousel shows one slide, and goes round', async ({ page }) => {
    await started(
      page,
      '<amp-carousel type="slides" width="300" height="100"><div>One</div><div>Two</div></amp-carousel>',
    )
    await expect(page.getByText('One')).toBeVisible()
    await expect(page.getByText('Two')).toBeHidden()
    await page.getByRole('button', { name: 'Next' }).click()
    await expect(page.getByText('Two')).toBeVisible()
    await page.getByRole('button', { name: 'Next' }).click()
    await expect(page.getByText('One')).toBeVisible()
    await page.getByRole('button', { name: 'Previous' }).click()
    await expect(page.getByText('Two')).toBeVisible()
  })

  test('amp-timeago says how long in words of the language', async ({ page }) => {
    const at = new Date(Date.now() + 3 * 86_400_000 + 60_000).toISOString()
    await started(
      page,
      `<amp-timeago id="en" datetime="${at}">x</amp-timeago><amp-timeago id="de" locale="de" datetime="${at}">x</amp-timeago>`,
    )
    await expect(page.locator('#en')).toHaveText('in 3 days')
    await expect(page.locator('#de')).toHaveText('in 3 Tagen')
  })

  test('"show", "hide" and "toggleVisibility" of any element', async ({ page }) => {
    await started(
      page,
      `<p id="a" hidden>A</p><button on="tap:a.show">Show</button><button on="tap:a.hide">Hide</button><button on="tap:a.toggleVisibility">Turn</button><button on="tap:b.show">None</button>`,
    )
    await page.getByRole('button', { name: 'Show' }).click()
    await expect(page.locator('#a')).toBeVisible()
    await page.getByRole('button', { name: 'Hide' }).click()
    await expect(page.locator('#a')).toBeHidden()
    await page.getByRole('button', { name: 'Turn' }).click()
    await expect(page.locator('#a')).toBeVisible()
    await page.getByRole('button', { name: 'None' }).click()
    expect(await said(page)).toEqual(['Nothing here is called "b".'])
  })

  test('what it cannot show is said once, by name', async ({ page }) => {
    await started(
      page,
      '<amp-lightbox id="l"></amp-lightbox><amp-lightbox></amp-lightbox><amp-sidebar></amp-sidebar>',
    )
    expect(await said(page)).toEqual([
      'amp-lightbox is not shown here: look at it in a real reader.',
      'amp-sidebar is not shown here: look at it in a real reader.',
    ])
  })
})
