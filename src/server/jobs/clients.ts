import { readEmail } from '@/core/tiles/document'
import { and, count, eq, sql } from 'drizzle-orm'
import { compile } from '@/core/compile'
import { readHouse } from '@/core/email/migrations'
import { plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import { newId } from '@/core/email/defaults'
import { db } from '../db'
import { clients, documents, jobs } from '../db/schema'
import { noteUses, ownerOf } from '../db/uses'
import { brokenDocument, notFound } from '../problem'

export interface Client {
  id: string
  name: string
  house: HouseStyle
  /** Why its house style cannot be read; a plain one stands in for it. Left out where all is well. */
  trouble?: string
}

/** One that cannot be read stops neither the list nor its jobs: a plain house style stands in for it, and it says why. */
function read({ id, name, house }: typeof clients.$inferSelect): Client {
  try {
    return { id, name, house: readHouse(house) }
  } catch (error) {
    return {
      id,
      name,
      house: plainHouseStyle(),
      trouble: brokenDocument(error).detail.split('. Take the job')[0]!,
    }
  }
}

/** All clients, by name. */
export const listClients = (): Client[] =>
  db()
    .select()
    .from(clients)
    .all()
    .map(read)
    .sort((a, b) => a.name.localeCompare(b.name))

/** One client. Throws a Problem (404) where there is none of that id. */
export function clientOf(id: string): Client {
  const row = db().select().from(clients).where(eq(clients.id, id)).get()
  if (!row) throw notFound('client', id)
  return read(row)
}

/** Adds a client, with a plain house style unless one is given. */
export function createClient(name: string, house: HouseStyle = plainHouseStyle()): Client {
  const id = newId()
  db().transaction((tx) => {
    tx.insert(clients).values({ id, name, house, createdAt: new Date().toISOString() }).run()
    noteUses(tx, ownerOf.house(id), house)
  })
  return { id, name, house }
}

/** Renames a client or sets its house style. */
export function changeClient(
  id: string,
  set: { name?: string; house?: HouseStyle },
): Client & { emails: Inheritance } {
  const before = clientOf(id)
  if (set.name !== undefined || set.house !== undefined)
    db().transaction((tx) => {
      tx.update(clients)
        .set({ ...set, revision: sql`${clients.revision} + 1` })
        .where(eq(clients.id, id))
        .run()
      if (set.house) noteUses(tx, ownerOf.house(id), set.house)
    })
  return { ...clientOf(id), emails: inheritance(id, before.house, set.house ?? before.house) }
}

/** How many emails a client has. */
export const countEmails = (clientId: string): number =>
  db()
    .select({ count: count() })
    .from(documents)
    .innerJoin(jobs, eq(jobs.id, documents.jobId))
    .where(and(eq(jobs.clientId, clientId), eq(documents.kind, 'email')))
    .get()?.count ?? 0

/** How many emails inherit from a house style, and how many of them look different under another. */
export interface Inheritance {
  inherit: number
  changed: number
}

function inheritance(clientId: string, before: HouseStyle, after: HouseStyle): Inheritance {
  const rows = db()
    .select({ body: documents.body })
    .from(documents)
    .innerJoin(jobs, eq(jobs.id, documents.jobId))
    .where(and(eq(jobs.clientId, clientId), eq(documents.kind, 'email')))
    .all()
  const emails = rows.flatMap(({ body }) => {
    try {
      const email = readEmail(body)
      return email.way === 'bands' ? [email] : []
    } catch {
      // What cannot be read looks like nothing.
      return []
    }
  })
  const look = (e: (typeof emails)[number], house: HouseStyle) => compile(e, house, { src: (p) => p.id })
  return { inherit: emails.length, changed: emails.filter((e) => look(e, before) !== look(e, after)).length }
}
