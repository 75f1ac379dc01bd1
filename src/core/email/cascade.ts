import type {
  ButtonStyle,
  ButtonVariant,
  HouseStyle,
  LinkStyle,
  Role,
  RoleSheet,
  StyleOverrides,
  TextStyle,
  TextStyleName,
} from './styles'
import { buttonVariants, roles, textStyleNames } from './styles'

/** Where a value comes from, in rising order: what stands later prevails. */
export type Origin = 'house' | 'email' | 'role' | 'tile'

/** What the bands of one role inherit. */
export interface RoleStyle {
  base: 'body' | 'small'
  text: Record<TextStyleName, TextStyle>
  link: LinkStyle
  button: Record<ButtonVariant, ButtonStyle>
}

/** The settled style of an email: emitters read it and resolve nothing but a tile's own values over it. */
export interface Style extends Pick<HouseStyle, 'colors' | 'ground' | 'nightGround' | 'webFonts' | 'footer'> {
  roles: Record<Role, RoleStyle>
}

/** Sets of values with where they come from, in rising order. */
export type Layers<T> = { from: Origin; values: Partial<T> }[]

/** What is set prevails over what is not; a key set to undefined counts as not set. */
function settle<T>(layers: Layers<T>): T {
  const out: Partial<T> = {}
  for (const { values } of layers)
    for (const key in values) if (values[key] !== undefined) out[key] = values[key]
  return out as T
}

/** Without keys set to undefined. */
const said = <T extends object>(values: Partial<T>): Partial<T> =>
  Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined)) as Partial<T>

/** A button's values over those that it inherits: a ground of its own covers an inherited gradient. */
export function buttonOver(inherited: ButtonStyle, own: Partial<ButtonStyle> | undefined): ButtonStyle {
  const style = { ...inherited, ...own }
  if (own?.background && !own.gradient) delete style.gradient
  return style
}

const layer = <T>(from: Origin, values: Partial<T> | undefined): Layers<T> =>
  values ? [{ from, values }] : []
const roleSheets = (house: HouseStyle, own: StyleOverrides, role: Role): RoleSheet[] =>
  [house.roles?.[role], own.roles?.[role]].filter((s): s is RoleSheet => !!s)

/**
 * The sets that a text style of a role is made of: house, email, what the role says of all its words, what it
 * says of this style.
 */
export const textLayers = (
  house: HouseStyle,
  own: StyleOverrides,
  role: Role,
  name: TextStyleName,
): Layers<TextStyle> => {
  const sheets = roleSheets(house, own, role)
  return [
    ...layer('house', house.text[name]),
    ...layer('email', own.text?.[name]),
    ...sheets.flatMap((s) => layer('role', s.text?.all)),
    ...sheets.flatMap((s) => layer('role', s.text?.[name])),
  ]
}

/** The sets that links of a role are made of. */
export const linkLayers = (house: HouseStyle, own: StyleOverrides, role: Role): Layers<LinkStyle> => [
  ...layer('house', house.link),
  ...layer('email', own.link),
  ...roleSheets(house, own, role).flatMap((s) => layer('role', s.link)),
]

/**
 * The sets that a button of a role is made of; a variant's values prevail over the main ones of the same
 * level.
 */
export function buttonLayers(
  house: HouseStyle,
  own: StyleOverrides,
  role: Role,
  variant: ButtonVariant,
): Layers<ButtonStyle> {
  const varied = (from: Origin, s: { buttons?: StyleOverrides['buttons'] }) =>
    variant === 'main' ? [] : layer(from, s.buttons?.[variant])
  const ofRole = roleSheets(house, own, role).flatMap((s) => layer('role', s.button))
  return [
    ...layer('house', house.button),
    ...layer('email', own.button),
    ...(variant === 'main' ? ofRole : []),
    ...varied('house', house),
    ...varied('email', own),
  ]
}

/** Paragraphs of these roles are small print unless told otherwise. */
const smallPrint = (role: Role) => role === 'footer' || role === 'notice'

/**
 * House style with an email's own values and those of each role over it: house style -> email -> role -> text
 * style or kind. A tile's own values come on top, in its emitter.
 */
export function resolveStyle(house: HouseStyle, own: StyleOverrides): Style {
  const roleStyle = (role: Role): RoleStyle => ({
    base:
      roleSheets(house, own, role).reduce<'body' | 'small' | undefined>((b, s) => s.base ?? b, undefined) ??
      (smallPrint(role) ? 'small' : 'body'),
    text: Object.fromEntries(
      textStyleNames.map((n) => [n, settle(textLayers(house, own, role, n))]),
    ) as RoleStyle['text'],
    link: settle(linkLayers(house, own, role)),
    button: Object.fromEntries(
      buttonVariants.map((v) => [
        v,
        buttonLayers(house, own, role, v).reduce(
          (s, { values }) => buttonOver(s, said(values)),
          {} as ButtonStyle,
        ),
      ]),
    ) as RoleStyle['button'],
  })
  return {
    colors: house.colors,
    ground: own.ground ?? house.ground,
    nightGround: own.nightGround ?? house.nightGround,
    webFonts: house.webFonts,
    footer: house.footer,
    roles: Object.fromEntries(roles.map((r) => [r, roleStyle(r)])) as Style['roles'],
  }
}

const settled = new WeakMap<HouseStyle, WeakMap<StyleOverrides, Style>>()

/** The settled style, the same object for the same inputs, so that what was remembered of it stays good. */
export function styleOf(house: HouseStyle, own: StyleOverrides): Style {
  let of = settled.get(house)
  if (!of) settled.set(house, (of = new WeakMap()))
  let style = of.get(own)
  if (!style) of.set(own, (style = resolveStyle(house, own)))
  return style
}

/** Where one value comes from, and what would count were it cleared there. */
export interface Trace<V> {
  value: V
  from: Origin
  beneath: { from: Origin; value: V }[]
}

/**
 * Traces one value through the layers of a style. @param own a tile's own values, which prevail over all
 * @returns the value with its origin and everything it covers, the nearest first; undefined where no layer
 * sets it
 */
export function trace<T, K extends keyof T>(
  layers: Layers<T>,
  own: Partial<T> | undefined,
  key: K,
): Trace<T[K]> | undefined {
  const set = [...layers, ...layer('tile', own)]
    .flatMap(({ from, values }) => (values[key] === undefined ? [] : [{ from, value: values[key] as T[K] }]))
    .reverse()
  return set[0] && { ...set[0], beneath: set.slice(1) }
}
