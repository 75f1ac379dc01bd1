import { rawData } from 'caniemail'
import fc from 'fast-check'
import { compile } from '@/core/compile'
import { fallbacks } from '@/core/readers/fallbacks'
import { featuresOf } from '@/core/readers/features'
import { behaviours } from '@/core/night/behaviours'
import { profiles, type Profile } from '@/core/readers/profiles'
import { majorReaders, supportOf, type SupportData } from '@/core/readers/support'
import { plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import { anyEmail, composed, longEmail } from './emails'

/** The open data set of what readers support (caniemail, MIT). */
export const support = rawData as unknown as SupportData

const known = new Set(support.data.map((f) => f.slug))
const webHouse: HouseStyle = {
  ...plainHouseStyle(),
  nightGround: '#000000',
  webFonts: [
    {
      family: 'Old Ferry',
      fallback: 'serif',
      files: [{ address: 'https://fonts.example/f.woff2', weight: 400, italic: false }],
    },
  ],
}

/**
 * Every feature that the compiler emits, found in what it makes of many documents, in every form of output.
 */
export const emitted = (): string[] => (found ??= emittedBy())
let found: string[] | undefined

function emittedBy(): string[] {
  const all = new Set<string>()
  const docs = [...fc.sample(anyEmail, { numRuns: 120, seed: 7 }).map(composed), longEmail(2)]
  for (const [i, email] of docs.entries()) {
    for (const name of featuresOf(
      compile(email, webHouse, { src: (p) => p.id, styles: i % 3 === 0 ? 'inline' : 'both' }),
      (s) => known.has(s),
    ))
      all.add(name)
  }
  return [...all].sort()
}

const signs = { y: 'yes', a: 'in part', n: '**no**', u: '?' }

/** The text of docs/readers.md. */
export function readersDocs(): string {
  const names = emitted()
  const listed = names.filter((n) => known.has(n)),
    others = names.filter((n) => !known.has(n))
  const row = (slug: string) =>
    `| ${support.data
      .find((f) => f.slug === slug)!
      .title.replace(/\|/g, '\\|')
      .replace(
        /</g,
        '&lt;',
      )} | ${majorReaders.map((r) => signs[supportOf(support, slug, r)]).join(' | ')} | ${fallbacks[slug] ?? ''} |`
  return `# What readers make of our HTML

Everything the compiler emits, looked up in the open support data set of the package \`caniemail\` (MIT; its data of ${support.last_update_date.slice(0, 10)}), and what a reader shows that does not know it. "In
part" and "?" (not tested) are as the data set says for the newest version it tested. This page is written by \`npm run readers-docs\` from compiled
documents; a test fails where a feature that a major reader lacks has no fallback here.

| feature | ${majorReaders.map((r) => r.name).join(' | ')} | without it |
| --- | ${majorReaders.map(() => '---').join(' | ')} | --- |
${listed.map(row).join('\n')}

Not listed in the data set:

| feature | without it |
| --- | --- |
${others.map((n) => `| \`${n.replace(/^(css|html):/, '')}\` (${n.startsWith('css') ? 'CSS' : 'HTML'}) | ${fallbacks[n] ?? ''} |`).join('\n')}

## How each reader is foretold

Each is a file in \`src/core/readers/profiles\`: what the data set says it lacks, what else it does, and which kind of dark it has. By rule alone unless it says when it was seen.

| reader | windows, px | data set | what else it does, and what that rests on | dark | forecast |
| --- | --- | --- | --- | --- | --- |
${profiles.map(profileRow).join('\n')}
`
}

function profileRow(p: Profile): string {
  const windows = [p.windows.wide, p.windows.narrow].filter(Boolean).join(', ')
  const does = p.does.map((h) => (h.says ? `${h.says}: ${h.rests}` : h.rests))
  if (p.branch === 'word') does.unshift('Takes the conditions that are for it.')
  if (p.cutsAfter) does.push(`Cuts off after ${p.cutsAfter} bytes (common practice, no source).`)
  if (p.asksForPictures) does.push('Shows pictures once they are asked for.')
  const dark = p.dark ? behaviours[p.dark].label.toLowerCase() : 'none'
  return `| ${p.name} | ${windows} | ${p.data ?? 'not in it'} | ${does.join(' ')} | ${dark} | ${p.seen ? `seen ${p.seen.at}: ${p.seen.what}` : 'by rule'} |`
}
