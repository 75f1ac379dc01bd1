import { GMAIL_CUT } from './measures'
import type { Profile } from './profile'

export const gmailWeb: Profile = {
  id: 'gmail-web',
  name: 'Gmail, web',
  windows: { wide: 800, narrow: null },
  data: 'gmail/desktop-webmail',
  branch: 'others',
  does: [],
  dark: null,
  cutsAfter: GMAIL_CUT,
}
