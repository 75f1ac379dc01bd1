import type { Profile } from './profile'

export const outlookMac: Profile = {
  id: 'outlook-mac',
  name: 'Outlook, macOS',
  windows: { wide: 800, narrow: null },
  data: 'outlook/macos',
  branch: 'others',
  does: [],
  dark: 'attributes',
  asksForPictures: true,
}
