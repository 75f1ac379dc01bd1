import { noWebFonts } from '../habits/head'
import { functionsTaken, lettersLarger } from '../habits/weak'
import type { Profile } from './profile'

export const weakDesktop: Profile = {
  id: 'weak-desktop',
  name: 'Claws Mail (a small engine)',
  windows: { wide: 800, narrow: null },
  branch: 'others',
  does: [functionsTaken, lettersLarger, noWebFonts('Seen in Claws Mail 4.1 (litehtml), 2026-12.')],
  dark: 'written',
  alwaysDark: true,
  asksForPictures: true,
  seen: {
    at: '2026-12',
    what: 'version 4.1, three emails, SSIM 0.44 to 0.64: letters, sides and fonts as foretold, spaces and tables otherwise',
  },
}
