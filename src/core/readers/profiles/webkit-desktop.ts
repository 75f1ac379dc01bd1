import type { Profile } from './profile'

export const webkitDesktop: Profile = {
  id: 'webkit-desktop',
  name: 'Evolution (WebKit)',
  windows: { wide: 800, narrow: null },
  branch: 'others',
  does: [],
  dark: 'written',
  asksForPictures: true,
}
