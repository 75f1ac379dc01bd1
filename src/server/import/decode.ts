/** A text file in the encoding it says it is in: byte order mark, meta charset, else UTF-8. */
export function decode(bytes: Buffer): string {
  const said = /<meta[^<>]{1,200}charset=["']?([\w-]{1,40})/i.exec(
    bytes.subarray(0, 2048).toString('latin1'),
  )?.[1]
  const label =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? 'utf-16le'
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? 'utf-16be'
        : (said ?? 'utf-8')
  try {
    return new TextDecoder(label).decode(bytes)
  } catch {
    return new TextDecoder().decode(bytes)
  }
}
