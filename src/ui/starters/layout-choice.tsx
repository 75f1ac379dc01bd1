'use client'
import { useEffect, useMemo, useState } from 'react'
import { plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import { starterEmail, starterLayouts } from '@/core/starters'
import { call } from '../api'
import { Card } from './card'

/** A client's house style; a plain one for a new client, and until it is known. */
export function useHouse(client: string | null): HouseStyle {
  const [house, setHouse] = useState(plainHouseStyle)
  useEffect(() => {
    if (!client) return setHouse(plainHouseStyle())
    let over = false
    call('GET /api/clients/:client', { params: { client } }).then(
      (c) => !over && setHouse(c.house),
      () => {},
    )
    return () => {
      over = true
    }
  }, [client])
  return house
}

/** The layouts to begin from, each drawn from itself in the client's colours. @param width of the email, px */
export function LayoutChoice({
  client,
  width,
  chosen,
  onChosen,
}: {
  client: string | null
  width: number
  chosen?: string
  onChosen: (layout: string, name: string) => void
}) {
  const house = useHouse(client)
  const wide = Math.max(320, Math.min(900, width))
  const layouts = useMemo(
    () =>
      starterLayouts.map((layout) => ({ layout, bands: starterEmail(layout, { house, width: wide }).bands })),
    [house, wide],
  )
  return (
    <ul
      aria-label="Layouts"
      className="grid max-h-[270px] grid-cols-[repeat(4,146px)] justify-between items-start gap-3 overflow-auto border border-grout bg-plaster p-3"
    >
      {layouts.map(({ layout, bands }) => (
        <li key={layout.id}>
          <Card
            name={layout.name}
            note={layout.mood}
            chosen={chosen === layout.id}
            onPress={() => onChosen(layout.id, layout.name)}
            bands={bands}
            house={house}
            emailWidth={wide}
            width={144}
            tallest={190}
          />
        </li>
      ))}
    </ul>
  )
}
