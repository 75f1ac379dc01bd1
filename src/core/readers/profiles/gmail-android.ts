import { GMAIL_CUT } from './measures'
import type { Profile } from './profile'

export const gmailAndroid: Profile = {
  id: 'gmail-android',
  name: 'Gmail, Android',
  windows: { wide: null, narrow: 412 },
  data: 'gmail/android',
  branch: 'others',
  does: [],
  dark: 'partly',
  cutsAfter: GMAIL_CUT,
}
