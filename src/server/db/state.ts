import { dataFolder } from '../settings'
import { db } from './index'
import { copiesIn, DatabaseTrouble, takeBack, type Copy } from './trouble'
import { Problem } from '../problem'

/** Why the database cannot be worked with; null where it can. Any other error is thrown. */
export function troubleOf(): DatabaseTrouble | null {
  try {
    db()
    return null
  } catch (error) {
    if (error instanceof DatabaseTrouble) return error
    throw error
  }
}

/** The state of the database, for a person. */
export function databaseState(): { trouble: { title: string; detail: string } | null; copies: Copy[] } {
  const trouble = troubleOf()
  return {
    trouble: trouble && { title: trouble.title, detail: trouble.detail },
    copies: copiesIn(dataFolder()),
  }
}

/** Takes a copy back and opens it. Throws a Problem (409) where there is nothing to mend. */
export function mendDatabase(copy: string): { aside: string } {
  const trouble = troubleOf()
  if (!trouble)
    throw new Problem(
      409,
      'no-trouble',
      'The database is sound',
      'Nothing was taken back: the copies are for a database that cannot be opened.',
    )
  if (trouble.trouble === 'locked') throw trouble
  const aside = takeBack(dataFolder(), copy)
  db()
  return { aside }
}
