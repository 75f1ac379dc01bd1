'use client'
import { useState } from 'react'
import { fieldClass } from '../parts/controls'
import { Card } from './card'
import { useHouse } from './layout-choice'
import { useKept, type KeptEmail } from './use-kept'

/** What a client keeps, to begin a job from. */
export function ShelfChoice({
  client,
  chosen,
  onChosen,
}: {
  client: string | null
  chosen?: string
  onChosen: (kept: KeptEmail) => void
}) {
  const [search, setSearch] = useState('')
  const house = useHouse(client)
  const { kept, problem } = useKept(client, search)
  return (
    <div className="flex flex-col gap-2">
      <input
        aria-label="Search the shelf"
        className={fieldClass}
        placeholder="Search by name"
        value={search}
        onChange={(e) => setSearch(e.target.value)}
      />
      {problem && <p role="alert">{problem}</p>}
      {kept?.length === 0 && (
        <p className="text-soft">
          {search
            ? 'Nothing is kept under that name.'
            : 'This client keeps nothing yet. Bands are kept from the tray of Compose.'}
        </p>
      )}
      <ul
        aria-label="Shelf"
        className="grid max-h-[270px] grid-cols-[repeat(4,146px)] items-start gap-3 overflow-auto"
      >
        {kept?.map((k) => (
          <li key={k.id}>
            <Card
              name={k.name}
              note={k.whole ? 'whole email' : k.bands === 1 ? 'one band' : `${k.bands} bands`}
              chosen={chosen === k.id}
              onPress={() => onChosen(k)}
              bands={k.email.bands}
              house={house}
              emailWidth={k.email.width}
              width={144}
              tallest={190}
            />
          </li>
        ))}
      </ul>
    </div>
  )
}
