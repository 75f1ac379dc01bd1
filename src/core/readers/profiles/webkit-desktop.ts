import type { Profile } from './profile'

export const webkitDesktop: Profile = {
  id: 'webkit-desktop',
  name: 'Evolution (WebKit)',
  windows: { wide: 800, narrow: null },
  branch: 'others',
  does: [],
  dark: 'written',
  asksForPictures: true,
  seen: {
    at: '2026-12',
    what: 'its engine (WebKitGTK), five emails, SSIM 0.947 to 0.981, one 0.749: a line of a table wraps there that does not here',
  },
}
