/** A text without the spaces at its end. In linear time, which a pattern for it would not take. */
export function withoutSpacesAtEnd(text: string): string {
  let end = text.length
  while (end && text[end - 1] === ' ') end--
  return text.slice(0, end)
}
