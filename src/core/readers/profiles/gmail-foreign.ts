import { noHead } from '../habits/head'
import { FOREIGN, GMAIL_CUT } from './measures'
import type { Profile } from './profile'

export const gmailForeign: Profile = {
  id: 'gmail-foreign',
  name: 'Gmail, Android, another provider’s account',
  windows: { wide: null, narrow: 412 },
  data: 'gmail/android',
  branch: 'others',
  does: [noHead(FOREIGN)],
  dark: 'partly',
  cutsAfter: GMAIL_CUT,
}
