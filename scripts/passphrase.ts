/**
 * Sets the passphrase of an app that is opened beyond its machine: `bin/passphrase` asks for it and gives it here line by line.
 * `--is-set` only looks: 0 where there is one. `--none` takes it away.
 */
import { text } from 'node:stream/consumers'
import { keptHash, removePassphrase, setPassphrase } from '../src/server/access/passphrase'
import { Problem } from '../src/server/problem'

if (process.argv.includes('--is-set')) process.exit(keptHash() === null ? 1 : 0)
if (process.argv.includes('--none')) {
  removePassphrase()
  console.log('There is no passphrase any more: the app answers under the names of its own machine alone.')
} else {
  const [said = '', again] = (await text(process.stdin)).split('\n')
  try {
    if (said !== again) throw new Problem(422, 'unlike', 'The two differ', 'Nothing was changed.')
    await setPassphrase(said)
    console.log('The passphrase is set. Whoever had entered has to enter it anew.')
  } catch (error) {
    if (!(error instanceof Problem)) throw error
    console.error(`${error.title}. ${error.detail}`)
    process.exit(1)
  }
}
