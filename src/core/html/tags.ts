import { Tokenizer, TokenizerMode, type TokenHandler } from 'parse5'

/** An attribute as it stands in a source. */
export interface Attribute {
  name: string
  /** Its value, entities read. */
  value: string
  /** From its name to the end of its value, offsets into the source. */
  from: number
  to: number
}

/** A start or end tag as it stands in a source. */
export interface Tag {
  name: string
  closing: boolean
  /** Written with a slash at its end. */
  selfClosing: boolean
  attributes: Attribute[]
  from: number
  to: number
}

/** What a tokenizer has to be told after these, since their content is no markup (WHATWG HTML, 13.2.6.4.4). */
const contents: Record<string, (typeof TokenizerMode)[keyof typeof TokenizerMode]> = {
  title: TokenizerMode.RCDATA,
  textarea: TokenizerMode.RCDATA,
  style: TokenizerMode.RAWTEXT,
  xmp: TokenizerMode.RAWTEXT,
  iframe: TokenizerMode.RAWTEXT,
  noembed: TokenizerMode.RAWTEXT,
  noframes: TokenizerMode.RAWTEXT,
  script: TokenizerMode.SCRIPT_DATA,
}

/**
 * The tags of a markup in their order, by the tokenizer of the standard (WHATWG HTML, 13.2.5), in linear time
 * whatever is written. @param inConditions whether those in conditional comments count too
 */
export function tagsOf(html: string, { inConditions = false } = {}): Tag[] {
  const out: Tag[] = []
  const scan = (source: string, shift: number) => {
    const tag = (closing: boolean) => (token: Parameters<TokenHandler['onStartTag']>[0]) => {
      const at = token.location!
      out.push({
        name: token.tagName,
        closing,
        selfClosing: token.selfClosing,
        attributes: token.attrs.map(({ name, value }) => {
          const span = at.attrs?.[name]
          return {
            name,
            value,
            from: shift + (span?.startOffset ?? at.startOffset),
            to: shift + (span?.endOffset ?? at.startOffset),
          }
        }),
        from: shift + at.startOffset,
        to: shift + at.endOffset,
      })
      const mode = closing ? undefined : contents[token.tagName]
      if (mode !== undefined) tokenizer.state = mode
    }
    const nothing = () => {}
    const tokenizer = new Tokenizer(
      { sourceCodeLocationInfo: true },
      {
        onStartTag: tag(false),
        onEndTag: tag(true),
        onComment: ({ location }) => {
          if (!inConditions || !location) return
          const inner = insideOf(source, location.startOffset, location.endOffset)
          if (inner) scan(source.slice(inner.from, inner.to), shift + inner.from)
        },
        onCharacter: nothing,
        onDoctype: nothing,
        onEof: nothing,
        onNullCharacter: nothing,
        onWhitespaceCharacter: nothing,
        onParseError: null,
      },
    )
    tokenizer.write(source, true)
  }
  scan(html, 0)
  return out
}

/** Where the content of a hidden conditional comment stands in a source; null for any other comment. */
function insideOf(source: string, from: number, to: number): { from: number; to: number } | null {
  if (!source.startsWith('<!--[if', from)) return null
  const begin = source.indexOf(']>', from)
  const end = source.lastIndexOf('<![endif]', to)
  return begin >= 0 && begin + 2 < end ? { from: begin + 2, to: end } : null
}
