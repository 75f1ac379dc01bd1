import type { Profile } from './profile'

export const geckoDesktop: Profile = {
  id: 'gecko-desktop',
  name: 'Thunderbird (Gecko)',
  windows: { wide: 800, narrow: 412 },
  data: 'thunderbird/macos',
  branch: 'others',
  does: [],
  dark: 'desktop',
  asksForPictures: true,
}
