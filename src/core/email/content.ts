/**
 * What a tile says, shows and leads to, whatever its kind; all else is how it looks. Tiles that are set together share
 * their looks, twins what they say.
 */
const CONTENT: ReadonlySet<string> = new Set([
  'text',
  'label',
  'alt',
  'link',
  'picture',
  'nightPicture',
  'stillPicture',
  'icon',
  'items',
  'rows',
  'caption',
  'icons',
  'marks',
  'html',
  'css',
  'pictures',
  'word',
  'others',
  'sender',
  'address',
  'unsubscribe',
  'preferences',
  'who',
  'about',
  'stars',
])

/** Values that belong to one tile alone: of what it was cut from, and what it shows on one width. */
const OWN: ReadonlySet<string> = new Set(['crop', 'narrowCrop', 'narrowPicture', 'standsFor', 'columns'])

/** The part of a patch that is what a tile says. */
export const saysOf = <T extends object>(set: T): Partial<T> =>
  Object.fromEntries(Object.entries(set).filter(([key]) => CONTENT.has(key))) as Partial<T>

/** The part of a patch that is how a tile looks. */
export const looksOf = <T extends object>(set: T): Partial<T> =>
  Object.fromEntries(Object.entries(set).filter(([key]) => !CONTENT.has(key) && !OWN.has(key))) as Partial<T>
