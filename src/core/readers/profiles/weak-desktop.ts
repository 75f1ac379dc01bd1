import { inBlocks } from '../habits/weak'
import type { Profile } from './profile'

export const weakDesktop: Profile = {
  id: 'weak-desktop',
  name: 'Claws Mail (a small engine)',
  windows: { wide: 800, narrow: null },
  branch: 'others',
  does: [inBlocks],
  // It applies rules for the dark by day as well.
  dark: 'written',
  asksForPictures: true,
}
