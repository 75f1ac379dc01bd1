import { GMAIL_CUT } from './measures'
import type { Profile } from './profile'

export const gmailIos: Profile = {
  id: 'gmail-ios',
  name: 'Gmail, iOS',
  windows: { wide: null, narrow: 375 },
  data: 'gmail/ios',
  branch: 'others',
  does: [],
  dark: 'fully',
  cutsAfter: GMAIL_CUT,
}
