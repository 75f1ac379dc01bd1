/** The first address in a value of CSS (CSS Values 4, 4.5). */
export function urlIn(value: string): string | undefined {
  const from = value.toLowerCase().indexOf('url(')
  const to = value.indexOf(')', from)
  if (from < 0 || to < 0) return undefined
  const inside = value.slice(from + 4, to).trim()
  return /^['"]/.test(inside) && inside.endsWith(inside[0]!) ? inside.slice(1, -1) : inside
}
