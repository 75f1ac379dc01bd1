import { eq } from 'drizzle-orm'
import { houseStyleSchema, plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import { newId } from '@/core/email/defaults'
import { db } from '../db'
import { clients } from '../db/schema'
import { notFound } from '../problem'

export interface Client { id: string; name: string; house: HouseStyle }

const read = (row: typeof clients.$inferSelect): Client => ({ id: row.id, name: row.name, house: houseStyleSchema.parse(row.house) })

/** All clients, by name. */
export const listClients = (): Client[] => db().select().from(clients).all().map(read).sort((a, b) => a.name.localeCompare(b.name))

/** One client. Throws a Problem (404) where there is none of that id. */
export function clientOf(id: string): Client {
  const row = db().select().from(clients).where(eq(clients.id, id)).get()
  if (!row) throw notFound('client', id)
  return read(row)
}

/** Adds a client, with a plain house style unless one is given. */
export function createClient(name: string, house: HouseStyle = plainHouseStyle()): Client {
  const id = newId()
  db().insert(clients).values({ id, name, house, createdAt: new Date().toISOString() }).run()
  return { id, name, house }
}

/** Renames a client or sets its house style. */
export function changeClient(id: string, set: { name?: string; house?: HouseStyle }): Client {
  clientOf(id)
  if (set.name !== undefined || set.house !== undefined) db().update(clients).set(set).where(eq(clients.id, id)).run()
  return clientOf(id)
}
