import { standinPath } from '../interact/addresses'
import { refusedAddress } from '../interact/reader'
import type { Check, Found } from './check'

const mend = (what: string, why: string): Found[] => [{ severity: 'mend', stage: 'interact', what, why }]

export const answers: Check = {
  name: 'answers',
  about: 'What people answer arrives somewhere, and live lists are fetched from where readers fetch.',
  tile: ({ tile }) => {
    if (tile.kind !== 'rating' && tile.kind !== 'form' && tile.kind !== 'live') return []
    const list = tile.kind === 'live'
    const address = list ? tile.address : tile.target.action
    // A list without an address is found empty already.
    if (!address.trim())
      return list
        ? []
        : mend(
            'Answers go nowhere',
            'Name the https address that takes them, or choose the answers stand-in for trying.',
          )
    const refused = refusedAddress(address)
    if (refused)
      return mend(list ? 'Readers do not fetch this list' : 'Readers do not send to this address', refused)
    if (standinPath(address) === null) return []
    return [
      {
        severity: 'mind',
        stage: 'interact',
        what: list ? 'The list comes from the stand-in' : 'Answers go to the stand-in',
        why: 'That is for trying it here. Before people get it, name the address that does this for real.',
      },
    ]
  },
}
