import type { Profile } from './profile'

export const samsungPhone: Profile = {
  id: 'samsung-phone',
  name: 'Samsung Email',
  windows: { wide: null, narrow: 360 },
  data: 'samsung-email/android',
  branch: 'others',
  does: [],
  dark: 'fully',
}
