/** A button that takes a file. @param accept as of an input (HTML, 4.10.5.1.17) */
export function FileButton({
  label,
  accept,
  onFile,
}: {
  label: string
  accept: string
  onFile: (file: File) => void
}) {
  return (
    <label className="inline-flex cursor-pointer border border-grout bg-sheet px-2.5 py-1 text-[12.5px] text-ink focus-within:outline-2 focus-within:outline-lapis hover:border-soft">
      {label}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          // The same file may be chosen again.
          e.target.value = ''
        }}
      />
    </label>
  )
}
