import { appleDesktop } from './apple-desktop'
import { applePhone } from './apple-phone'
import { chromiumDesktop } from './chromium-desktop'
import { frameworkWeb } from './framework-web'
import { geckoDesktop } from './gecko-desktop'
import { gmailAndroid } from './gmail-android'
import { gmailForeign } from './gmail-foreign'
import { gmailIos } from './gmail-ios'
import { gmailWeb } from './gmail-web'
import { outlookMac } from './outlook-mac'
import { outlookPhone } from './outlook-phone'
import { outlookWeb } from './outlook-web'
import { outlookWindows } from './outlook-windows'
import type { Profile } from './profile'
import { samsungPhone } from './samsung-phone'
import { weakDesktop } from './weak-desktop'
import { webkitDesktop } from './webkit-desktop'
import { yahooWeb } from './yahoo-web'

export { windowsOf, type Profile } from './profile'

/** The readers that an email is looked at in, one file each. */
export const profiles: readonly Profile[] = [
  appleDesktop,
  applePhone,
  gmailWeb,
  gmailIos,
  gmailAndroid,
  gmailForeign,
  outlookWindows,
  outlookWeb,
  outlookMac,
  outlookPhone,
  yahooWeb,
  samsungPhone,
  geckoDesktop,
  webkitDesktop,
  chromiumDesktop,
  weakDesktop,
  frameworkWeb,
]
