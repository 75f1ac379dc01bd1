import { tagsOf, type Tag } from '../html/tags'
import { actionsOf, parsed } from './expression'
import type { AmpMessage } from './reasons'

/**
 * What the official validator lets pass and readers then do not show: expressions that cannot be read (amp-bind, "Expressions"), lists that have nothing to
 * show their lines by (amp-list, "Usage"), and two things of one id.
 */
export function ampFaults(html: string): AmpMessage[] {
  const tags = tagsOf(html).filter((t) => !t.closing)
  return [
    ...tags.flatMap((tag) => brokenIn(tag).map((said) => message(html, tag, 'BROKEN_EXPRESSION', said))),
    ...listsWithoutTemplate(html).map((tag) =>
      message(html, tag, 'LIST_WITHOUT_TEMPLATE', 'The tag amp-list has no template.'),
    ),
    ...twice(tags).map(({ tag, id }) => message(html, tag, 'SAME_ID', `The id "${id}" stands twice.`)),
  ]
}

function message(html: string, { from }: Tag, code: string, said: string): AmpMessage {
  const before = html.slice(0, from)
  const line = before.split('\n').length
  return { severity: 'ERROR', line, col: from - (before.lastIndexOf('\n') + 1), code, message: said }
}

/** What is wrong with the expressions of one tag: those that bind, and those that set a state. */
function brokenIn(tag: Tag): string[] {
  return tag.attributes.flatMap(({ name, value }) => {
    if (/^\[.+\]$/.test(name) || name.startsWith('data-amp-bind-')) return faultOf(value, name)
    if (name !== 'on') return []
    return actionsOf(value)
      .filter((a) => a.target === 'AMP' && /^(?:setState|pushState)$/.test(a.method))
      .flatMap((a) => faultOf(a.args, `${a.event}:AMP.${a.method}`))
  })
}

function faultOf(expression: string, where: string): string[] {
  const fault = parsed(expression)
  return fault === null ? [] : [`The expression of ${where} cannot be read: ${fault}`]
}

function listsWithoutTemplate(html: string): Tag[] {
  const tags = tagsOf(html)
  return tags.filter((tag, i) => {
    if (tag.name !== 'amp-list' || tag.closing || tag.attributes.some((a) => a.name === 'template'))
      return false
    const end = tags.findIndex((t, k) => k > i && t.closing && t.name === 'amp-list')
    return !tags.slice(i, end < 0 ? undefined : end).some((t) => t.name === 'template')
  })
}

function twice(tags: readonly Tag[]): { tag: Tag; id: string }[] {
  const seen = new Set<string>()
  return tags.flatMap((tag) => {
    const id = tag.attributes.find((a) => a.name === 'id')?.value
    if (!id) return []
    if (seen.has(id)) return [{ tag, id }]
    seen.add(id)
    return []
  })
}
