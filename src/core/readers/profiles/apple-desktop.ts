import type { Profile } from './profile'

export const appleDesktop: Profile = {
  id: 'apple-desktop',
  name: 'Apple Mail, macOS',
  windows: { wide: 800, narrow: null },
  data: 'apple-mail/macos',
  branch: 'others',
  does: [],
  dark: 'written',
}
