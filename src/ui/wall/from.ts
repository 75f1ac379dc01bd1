import { newEmail } from '@/core/email/defaults'
import { copiesOf } from '@/core/email/kept'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { formOf } from '../api'
import { broughtIn } from '../compose/written/brought-in'
import type { KeptEmail } from '../starters/use-kept'
import { runTask } from '../tasks/run'

/** What a job begins from. */
export type From =
  | { begin: 'design' }
  | { begin: 'starter'; layout?: string }
  | { begin: 'shelf'; kept?: KeptEmail }
  | { begin: 'elsewhere'; file?: File; source?: string; address?: string }
  | { begin: 'nothing' }

/** Whether a file is an email made elsewhere, told by its name: designs have other ones. */
export const isEmailFile = ({ name, type }: Pick<File, 'name' | 'type'>): boolean =>
  /\.(html?|zip|eml)$/i.test(name) ||
  /^(text\/html|message\/rfc822|application\/(x-)?zip(-compressed)?)$/.test(type)

/** Whether all has been said that a beginning needs. */
export const isChosen = (from: From): boolean =>
  (from.begin !== 'starter' || !!from.layout) &&
  (from.begin !== 'shelf' || !!from.kept) &&
  (from.begin !== 'elsewhere' || !!(from.file || from.source?.trim() || from.address?.trim()))

/** The email that a job begins with, and what there is to know of it. Throws an ApiProblem. @param width px */
export async function emailOf(
  from: From,
  { house, width }: { house: HouseStyle; width: number },
): Promise<{ email: Email; notes: readonly string[] }> {
  if (from.begin === 'starter') return { email: await fromStarter(from.layout!, house, width), notes: [] }
  if (from.begin === 'shelf') return { email: fromShelf(from.kept!, width), notes: [] }
  if (from.begin !== 'elsewhere') return { email: newEmail(width), notes: [] }
  const { file, source, address } = from
  const what = await runTask(
    'POST /api/import',
    file
      ? { form: formOf({ file }) }
      : { body: source?.trim() ? { html: source } : { address: address!.trim() } },
  )
  return { email: { ...newEmail(what.bands.width), ...broughtIn(what, 'bands') }, notes: what.notes }
}

async function fromStarter(id: string, house: HouseStyle, width: number): Promise<Email> {
  const [{ starterEmail, starterLayouts }, { drawnBands }] = await Promise.all([
    import('@/core/starters'),
    import('../starters/draw'),
  ])
  const email = starterEmail(
    starterLayouts.find((l) => l.id === id)!,
    { house, width },
  )
  return { ...email, bands: await drawnBands(email.bands, house) }
}

/** A whole email as a free copy; bands in an email of their own, tied to what is kept. */
const fromShelf = ({ id, email, whole }: KeptEmail, width: number): Email =>
  whole
    ? { ...email, muted: undefined, bands: copiesOf(email.bands) }
    : { ...newEmail(width), bands: copiesOf(email.bands, id) }
