import { rawData } from 'caniemail'
import { profiles } from '@/core/readers/profiles'
import { interactiveSupport, type ReaderSupport } from '@/core/readers/versions'
import { markTable, type MarkTable, type SupportData } from '@/core/readers/support'

const data = rawData as unknown as SupportData

/** What the open data set (caniemail, MIT) says of what interactive tiles need, and as of when. */
export function readersOfParts(): { at: string; readers: ReaderSupport[] } {
  return { at: data.last_update_date, readers: interactiveSupport(data) }
}

/** What it says of every feature, for the readers that emails are looked at in. */
export function supportOfReaders(): MarkTable {
  const named = new Set(profiles.flatMap((p) => p.data ?? []))
  return markTable(
    data,
    [...named].map((name) => {
      const [family = '', platform = ''] = name.split('/')
      return { family, platform }
    }),
  )
}
