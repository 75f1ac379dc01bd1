import { checkAmp } from '@/server/interact/validator'

/** The official validator of AMP for Email. @returns its errors, a line each */
export async function ampErrors(html: string): Promise<string[]> {
  const { pass, messages } = await checkAmp(html)
  const said = messages.filter((m) => m.severity === 'ERROR').map((m) => `${m.line}: ${m.message}`)
  return pass ? said : said.length ? said : ['FAIL']
}

export { checkAmp }
