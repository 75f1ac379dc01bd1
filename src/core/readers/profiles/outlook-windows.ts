import { wordEngine } from '../habits/word'
import type { Profile } from './profile'

export const outlookWindows: Profile = {
  id: 'outlook-windows',
  name: 'Outlook, Windows (Word engine)',
  windows: { wide: 800, narrow: null },
  data: 'outlook/windows',
  branch: 'word',
  does: wordEngine,
  dark: 'partly',
  asksForPictures: true,
}
