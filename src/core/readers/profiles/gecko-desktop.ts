import type { Profile } from './profile'

export const geckoDesktop: Profile = {
  id: 'gecko-desktop',
  name: 'Thunderbird (Gecko)',
  windows: { wide: 800, narrow: null },
  data: 'thunderbird/macos',
  branch: 'others',
  does: [],
  dark: 'desktop',
  asksForPictures: true,
  seen: {
    at: '2026-12',
    what: 'version 153, five emails, SSIM by day 0.949 to 0.996, at night 0.944 to 0.995',
  },
}
