import { copyFileSync, existsSync, readdirSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { Problem } from '../problem'

/** A copy of the database that lies beside it. */
export interface Copy {
  name: string
  /** bytes */
  bytes: number
  at: string
}

type Kind = 'damaged' | 'locked' | 'later' | 'unwritable'

const says: Record<Kind, { title: string; detail: string }> = {
  damaged: {
    title: 'The database is damaged',
    detail:
      'Its file cannot be read as SQLite. Nothing was changed. Take a copy back, or put a sound file in its place and try again.',
  },
  locked: {
    title: 'The database is in use',
    detail:
      'Another program holds it locked. Close that program (a second Mosaicus, or a tool that looks into the file), then try again.',
  },
  later: {
    title: 'The database is of a later Mosaicus',
    detail:
      'This one would not understand all that is in it, so it is left as it is. Start the later Mosaicus, or take back a copy from before.',
  },
  unwritable: {
    title: 'The data folder cannot be written',
    detail:
      'Its disk is full or read-only, or it belongs to another user of this machine. Nothing was changed. Mend that, then try again.',
  },
}

/** SQLite's own words for what is wrong (sqlite.org/rescode.html). */
const kindOf = (code: string): Kind | null =>
  code === 'SQLITE_NOTADB' || code.startsWith('SQLITE_CORRUPT')
    ? 'damaged'
    : /^SQLITE_(BUSY|LOCKED|PROTOCOL)/.test(code)
      ? 'locked'
      : /^(SQLITE_(READONLY|CANTOPEN|FULL|IOERR|PERM)|EACCES|EROFS|EPERM|ENOSPC)/.test(code)
        ? 'unwritable'
        : null

/** Why the app cannot work with its database, and the copies that there are. */
export class DatabaseTrouble extends Problem {
  constructor(
    readonly trouble: Kind,
    why: string,
    readonly copies: Copy[] = [],
  ) {
    super(503, `database-${trouble}`, says[trouble].title, `${says[trouble].detail} (${why})`, { copies })
  }

  /** An error of opening the database, told as far as it is known; any other stays as it is. */
  static from(error: unknown, copies: Copy[]): unknown {
    if (error instanceof DatabaseTrouble)
      return new DatabaseTrouble(error.trouble, /\(([^()]*)\)$/.exec(error.detail)?.[1] ?? '', copies)
    // What a library wraps keeps its cause.
    const { code, cause, message } = error as {
      code?: string
      cause?: { code?: string; message: string }
      message: string
    }
    const kind = kindOf(String(code ?? cause?.code ?? ''))
    return kind ? new DatabaseTrouble(kind, cause?.message ?? message, copies) : error
  }
}

/** Names of copies: made before a change of the tables, or of what was put aside when a copy was taken back. */
const COPY = /^mosaicus\.(?:before-\d{1,6}|aside-[0-9TZ-]{1,40})\.db$/

/** The copies in a data folder, the latest first. */
export const copiesIn = (folder: string): Copy[] =>
  (existsSync(folder) ? readdirSync(folder) : [])
    .filter((name) => COPY.test(name))
    .map((name) => {
      const { size, mtime } = statSync(join(folder, name))
      return { name, bytes: size, at: mtime.toISOString() }
    })
    .sort((a, b) => b.at.localeCompare(a.at))

/**
 * Takes a copy back: what stands in its place is put aside, never overwritten. Throws a Problem (404) where there is no such copy.
 * @returns under which name the other now lies
 */
export function takeBack(folder: string, name: string, now = new Date()): string {
  if (!copiesIn(folder).some((c) => c.name === name))
    throw new Problem(404, 'no-such-copy', 'There is no such copy', 'Choose one of those that are listed.')
  const aside = `mosaicus.aside-${now.toISOString().replace(/[:.]/g, '-')}.db`
  for (const end of ['', '-wal', '-shm']) {
    const from = join(folder, `mosaicus.db${end}`)
    if (existsSync(from)) renameSync(from, join(folder, `${aside}${end}`))
  }
  copyFileSync(join(folder, name), join(folder, 'mosaicus.db'))
  return aside
}
