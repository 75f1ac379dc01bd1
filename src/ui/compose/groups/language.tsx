import { useEffect, useState } from 'react'
import { TextRow } from '../../parts/controls'

/** A language tag as documents hold it (BCP 47: a language, and what narrows it). */
const TAG = /^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/

/**
 * A language. What is typed stands in the field at once, and counts as soon as it is a tag.
 * @param placeholder what holds where it is empty; without one a language has to be given
 */
export function LanguageRow({
  value,
  placeholder,
  onChange,
}: {
  value: string
  placeholder?: string
  onChange: (lang: string) => void
}) {
  const [typed, setTyped] = useState(value)
  // What is set elsewhere (undo, another selection) shows here.
  useEffect(() => setTyped(value), [value])
  const counts = (v: string) => TAG.test(v) || (v === '' && placeholder !== undefined)
  return (
    <TextRow
      label="Language"
      value={typed}
      placeholder={placeholder}
      invalid={!counts(typed)}
      onChange={(v) => {
        const said = v.trim()
        setTyped(said)
        if (counts(said)) onChange(said)
      }}
    />
  )
}
