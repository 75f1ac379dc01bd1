/** A parameter of an address: said once, several times, or not at all. */
export type Said = string | string[] | undefined

/** The first of what was said. */
export const one = (said: Said): string | undefined => (Array.isArray(said) ? said[0] : said)
