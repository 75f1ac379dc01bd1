import type { Profile } from './profile'

export const applePhone: Profile = {
  id: 'apple-phone',
  name: 'Apple Mail, iOS',
  windows: { wide: null, narrow: 375 },
  data: 'apple-mail/ios',
  branch: 'others',
  does: [],
  dark: 'written',
}
