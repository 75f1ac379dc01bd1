import { ownLinks } from '../habits/page'
import type { Profile } from './profile'

export const chromiumDesktop: Profile = {
  id: 'chromium-desktop',
  name: 'KMail (Chromium’s engine)',
  windows: { wide: 800, narrow: 412 },
  branch: 'others',
  does: [
    ownLinks(
      '#2980b9',
      'Seen in KMail: its link colour prevails over the link’s own; a coloured span inside holds.',
    ),
  ],
  dark: null,
  asksForPictures: true,
}
