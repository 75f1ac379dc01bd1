import { noMedia } from '../habits/head'
import { frameworkPage } from '../habits/page'
import type { Profile } from './profile'

export const frameworkWeb: Profile = {
  id: 'framework-web',
  name: 'Roundcube (a page with a sheet)',
  windows: { wide: 800, narrow: 412 },
  branch: 'others',
  does: [noMedia('Seen in Roundcube: no media query counts at 420 px.'), frameworkPage],
  dark: null,
  asksForPictures: true,
}
