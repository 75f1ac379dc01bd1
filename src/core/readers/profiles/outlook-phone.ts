import type { Profile } from './profile'

export const outlookPhone: Profile = {
  id: 'outlook-phone',
  name: 'Outlook, iOS',
  windows: { wide: null, narrow: 375 },
  data: 'outlook/ios',
  branch: 'others',
  does: [],
  dark: 'attributes',
}
