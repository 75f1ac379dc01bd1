/** Addresses under which messages name the stand-ins (RFC 2606: .example leads nowhere). Inside the app they lead to them. */
const ANSWERS = 'https://answers.mosaicus.example'
const PICTURES = 'https://pictures.mosaicus.example'

/** Where a form of an email sends to the answers stand-in. */
export const answersAddress = (form: string): string => `${ANSWERS}/${encodeURIComponent(form)}`

/** The path at the stand-in that an address stands for; null where it is not the stand-in's. */
export function standinPath(url: string): string | null {
  if (!URL.canParse(url)) return null
  const { origin, pathname, search } = new URL(url)
  return origin === ANSWERS ? `${pathname}${search}` : null
}

/** Where a picture of the AMP part stands while no host has it. */
export const pictureAddress = (id: string): string => `${PICTURES}/${id}`

/** The picture that such an address names; null where it is another address. */
export const pictureAt = (url: string): string | null =>
  url.startsWith(`${PICTURES}/`) ? url.slice(PICTURES.length + 1) : null
