/** Where a colour stands: the ground behind it, before and after the recolouring. */
export interface Behind {
  before: string
  after: string
  /** Whether a picture lies there. */
  picture: boolean
}

/** The element that a colour is said of, and what else it says. */
export interface Said {
  /** Whether a picture lies there. */
  picture?: boolean
  /** Whether it is a link, or words stand in one. */
  link?: boolean
  /** A ground or an ink that the same element says. */
  ground?: string
  ink?: string
  /** Whether the ground is drawn as a picture is, by a gradient: readers leave it as it is (common practice, no source). */
  drawn?: boolean
  /** Whether a plain colour stands beside the gradient on the same element. */
  plain?: boolean
}

/** What a kind of dark mode does to colours: one stated algorithm, a forecast by rule. */
export interface Behaviour {
  id: 'written' | 'attributes' | 'partly' | 'fully' | 'desktop'
  label: string
  /** What it does, and where it is met. */
  about: string
  /** What the forecast rests on. */
  rests: string
  /** Whether the email's own rules for the dark hold: by its media query, by the attributes that webmail writes, or not at all. */
  rules: 'media' | 'attributes' | 'none'
  /** Whether pictures for the dark are shown (`source` with `media`) though other rules do not count. */
  sources?: true
  /** Whether a gradient is taken away, with its ground, where a plain colour stands beside it; else it is left as it is. */
  losesGradients?: true
  /** Elements that are left as they are. */
  spares?: ReadonlySet<string>
  /** Whether what remains is recoloured at all. */
  recolors: boolean
  /** A ground; null where it is taken away. */
  ground: (color: string, at: Said) => string | null
  words: (color: string, behind: Behind, at?: Said) => string
  border: (color: string, behind: Behind) => string
  /** What the reader shows where nothing has a ground. */
  page: string
}

/** Recolours nothing. */
export const asItIs: Pick<Behaviour, 'recolors' | 'ground' | 'words' | 'border'> = {
  recolors: false,
  ground: (color) => color,
  words: (color) => color,
  border: (color) => color,
}
