import type { Profile } from './profile'

export const outlookWeb: Profile = {
  id: 'outlook-web',
  name: 'Outlook.com',
  windows: { wide: 800, narrow: null },
  data: 'outlook/outlook-com',
  branch: 'others',
  does: [],
  dark: 'attributes',
}
