import type { Profile } from './profile'

export const yahooWeb: Profile = {
  id: 'yahoo-web',
  name: 'Yahoo, web',
  windows: { wide: 800, narrow: null },
  data: 'yahoo/desktop-webmail',
  branch: 'others',
  does: [],
  dark: null,
}
