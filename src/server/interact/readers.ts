import { rawData } from 'caniemail'
import { interactiveSupport, type ReaderSupport } from '@/core/readers/versions'
import type { SupportData } from '@/core/readers/support'

/** What the open data set (caniemail, MIT) says of what interactive tiles need, and as of when. */
export function readersOfParts(): { at: string; readers: ReaderSupport[] } {
  const data = rawData as unknown as SupportData
  return { at: data.last_update_date, readers: interactiveSupport(data) }
}
