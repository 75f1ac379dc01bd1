/** The sign of the app: nine stones. */
export function Mark() {
  const stones = ['ink', 'lapis', 'ink', 'terra', 'ink', 'verdigris', 'ink', 'ochre', 'ink']
  return (
    <span aria-hidden className="grid grid-cols-[repeat(3,6px)] gap-[2px]">
      {stones.map((s, i) => (
        <i key={i} className="h-1.5" style={{ background: `var(--${s})` }} />
      ))}
    </span>
  )
}
