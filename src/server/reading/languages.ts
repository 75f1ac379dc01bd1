import { execFile } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { languageOf, readingLanguages } from '@/core/cut/reading/languages'
import { notFound, Problem } from '../problem'

const root = () => /* turbopackIgnore: true */ process.cwd()
/** Bringing a language takes no longer than this, ms. */
const PATIENCE = 120_000

/** The file of a language's trained data; null where it is not at hand. English ships with the app, others lie where `bin/languages` puts them. */
export function trainedData(code: string): string | null {
  if (!languageOf(code)) return null
  const name = `${code}.traineddata.gz`
  const places = [
    join(root(), 'dist/reading', name),
    join(root(), 'node_modules/@tesseract.js-data', code, '4.0.0_best_int', name),
  ]
  return places.find((p) => existsSync(p)) ?? null
}

/** The languages that words can be read in, and whether each can be read now. */
export const languagesHere = () =>
  readingLanguages.map(({ code, tag, name }) => ({ code, tag, name, here: trainedData(code) !== null }))

/** Brings a language from the package registry. Throws a Problem where there is none such, or it cannot be reached. */
export async function bringLanguage(code: string): Promise<void> {
  const language = languageOf(code)
  if (!language) throw notFound('language to read in', code)
  if (trainedData(code)) return
  try {
    await promisify(execFile)(process.execPath, [join(root(), 'scripts/languages.mjs'), code], {
      timeout: PATIENCE,
    })
  } catch {
    throw new Problem(
      502,
      'language-not-brought',
      `${language.name} could not be brought`,
      `What is needed to read it comes from the package registry, which could not be reached or has it not. Try again, or run "bin/languages ${code}" where there is a network.`,
    )
  }
}
