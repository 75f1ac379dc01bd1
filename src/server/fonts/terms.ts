import { create } from 'fontkit'
import type { FontTerms } from '@/core/house/licence'
import { Problem } from '../problem'

/** The tables that are read, which the package's types leave out. */
interface Tables {
  name?: { records?: Record<string, Record<string, string> | undefined> }
  'OS/2'?: { fsType?: { noEmbedding?: boolean } }
}

/** Reads off a font file how it may be used. Throws a Problem (415) where it cannot be read. */
export function readTerms(bytes: Buffer): FontTerms {
  const { name, 'OS/2': os2 } = tablesOf(bytes)
  const records = name?.records
  if (!records) throw unreadable()
  const said = (id: string): string => Object.values(records[id] ?? {}).join(' ')
  return {
    licence: said('license'),
    licenceAddress: said('licenseURL'),
    restricted: os2?.fsType?.noEmbedding ?? false,
  }
}

function tablesOf(bytes: Buffer): Tables {
  try {
    const made = create(bytes)
    const { name, 'OS/2': os2 } = ('fonts' in made ? made.fonts[0]! : made) as unknown as Tables
    return { name, 'OS/2': os2 }
  } catch {
    throw unreadable()
  }
}

const unreadable = () =>
  new Problem(415, 'not-a-font', 'This font cannot be read', 'Its tables are damaged. Take another file.')
