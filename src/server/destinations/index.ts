import { eml } from './eml'
import { platform } from './platform'
import { testSend } from './test-send'
import { zip } from './zip'

/** Every destination: one line here for each folder beside this file. */
export const destinations = { zip, eml, 'test-send': testSend, platform }
