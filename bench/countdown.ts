/**
 * Countdowns as they are opened, against files of the same server in the same run. Usage: npm run build, then npm run bench-countdown
 */
import { countdownQuery, designOf } from '@/core/motion/countdown/query'
import { countdownPicture } from '@/server/motion/countdown/draw'
import { base, served, stop } from './served'

const query = (design: number): string =>
  `to=2030-12-04T22%3A00&in=Europe%2FLondon&w=510&h=60&u=dhms&f=sans&c=ffffff&g=10183a&l=${(0x100000 + design).toString(16)}&ld=days&lh=hours&lm=minutes&ls=seconds`
const address = (design: number): string => `${base}/api/countdown?${query(design)}`
const middle = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1]!
const get = async (url: string): Promise<number> => {
  const start = performance.now()
  const answer = await fetch(url)
  await answer.arrayBuffer()
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`)
  return performance.now() - start
}

/** Openings a second, eight at a time. */
async function rate(url: string, openings = 400): Promise<number> {
  let left = openings
  const start = performance.now()
  await Promise.all(
    Array.from({ length: 8 }, async () => {
      while (left-- > 0) await get(url)
    }),
  )
  return (openings * 1000) / (performance.now() - start)
}

async function cached(): Promise<void> {
  const page = await (await fetch(base)).text()
  const file = base + /\/_next\/static\/chunks\/[\w.-]+\.js/.exec(page)![0]
  await rate(file)
  await rate(address(0))
  const shares: number[] = []
  for (let i = 0; i < 7; i++) {
    const before = await rate(file)
    const ours = await rate(address(0))
    shares.push((2 * ours) / (before + (await rate(file))))
  }
  console.log(
    `a countdown opened again over a file, openings a second: ${middle(shares).toFixed(2)}, median of 7 (aim: 0.8 or more)`,
  )
}

/** What the server computes for a picture it has not made yet. */
function uncached(): void {
  const time = (design: number, left: number): number => {
    const start = performance.now()
    const read = countdownQuery.parse(Object.fromEntries(new URLSearchParams(query(design))))
    countdownPicture({ design: designOf(read), left, fonts: 'node_modules/@fontsource' })
    return performance.now() - start
  }
  const some = (what: (i: number) => number) =>
    middle(Array.from({ length: 150 }, (_, i) => what(i)).slice(50))
  const [another, same] = [some((i) => time(i, 600_000)), some((i) => time(0, 600_000 - i))]
  console.log(
    `a new picture of a new design ${another.toFixed(1)} ms, of a known one ${same.toFixed(1)} ms, medians of 100 (aim: 20 or less)`,
  )
}

async function many(): Promise<void> {
  let opened = 0
  const others: number[] = []
  const start = performance.now()
  const open = async (design: number): Promise<void> => {
    await get(address(design))
    opened++
  }
  const askAlso = async (): Promise<void> => {
    while (opened < 200) {
      others.push(await get(`${base}/api/clients`))
      await new Promise((r) => setTimeout(r, 20))
    }
  }
  await Promise.all([askAlso(), ...Array.from({ length: 200 }, (_, i) => open(1000 + i))])
  const took = performance.now() - start
  console.log(
    `200 new designs at once: ${took.toFixed(0)} ms; what else is asked meanwhile: ${middle(others).toFixed(0)} ms, at most ${others.at(-1)!.toFixed(0)} ms`,
  )
}

try {
  await served()
  await cached()
  await many()
  uncached()
} finally {
  stop()
}
